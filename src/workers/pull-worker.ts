import { expose } from 'comlink'
import { whereItStands } from '@/core/pull/running-pull'

/** Says where a running pull ends, off the page's thread: on a device that has no line to the server's watch. */
const pull = { whereItStands }
export type PullWorker = typeof pull
expose(pull)
