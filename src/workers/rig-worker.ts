import type { Rig } from '@/core/job/written'
import { linkCosts, type PullQuestion, planPull } from '@/core/pull/planner'
import { portSpeeds } from '@/core/rig/port-speeds'

/**
 * What a rig does, off the page's thread: its speeds at the car first, then where a pull's minutes go, then the
 * predicted band.
 */
self.onmessage = (message: MessageEvent<{ rig: Rig; question: PullQuestion }>) => {
  const { rig, question } = message.data
  self.postMessage({ kind: 'speeds', speeds: portSpeeds(rig, question.ambientC, question.barometerPa) })
  self.postMessage({ kind: 'costs', costs: linkCosts(question) })
  self.postMessage({ kind: 'plan', plan: planPull(question, (share) => self.postMessage({ kind: 'progress', share })) })
}
