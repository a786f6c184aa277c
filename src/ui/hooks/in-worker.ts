import { type Remote, wrap } from 'comlink'

/**
 * Has a worker work off the page's thread, and ends it when that is done.
 * @returns ends it before, whatever it was doing: nothing more is told
 */
export function inWorker<T>(worker: Worker, work: (far: Remote<T>) => Promise<void>): () => void {
  void work(wrap<T>(worker)).finally(() => worker.terminate())
  return () => worker.terminate()
}
