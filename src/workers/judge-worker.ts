import { expose } from 'comlink'
import { judgementOf } from '@/core/schools/judgement'

/** Judges a record off the page's thread. */
const judge = { judgementOf }
export type JudgeWorker = typeof judge
expose(judge)
