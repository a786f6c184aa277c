import { expose } from 'comlink'
import { linkCosts, planPull } from '@/core/pull/planner'
import { portSpeeds } from '@/core/rig/port-speeds'

/** What a rig does, off the page's thread: its speeds at the car, where a pull's minutes go, the predicted band. */
const rig = { portSpeeds, linkCosts, planPull }
export type RigWorker = typeof rig
expose(rig)
