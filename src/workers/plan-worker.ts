import { linkCosts, type PullQuestion, planPull, whatIfs } from '@/core/pull/planner'

/** Plans a pull off the page's thread: progress as it goes, the band first, then what costs and what would save. */
self.onmessage = (message: MessageEvent<{ question: PullQuestion }>) => {
  const { question } = message.data
  const plan = planPull(question, (share) => self.postMessage({ kind: 'progress', share }))
  self.postMessage({ kind: 'plan', plan })
  self.postMessage({ kind: 'gains', costs: linkCosts(question), whatIfs: whatIfs(question) })
}
