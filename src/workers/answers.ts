import { parentPort } from 'node:worker_threads'

/** Answers whoever asks this thread, one question after the other; an error goes back as its message. */
export function answers<Question extends object>(answerTo: (question: Question) => unknown): void {
  parentPort?.on('message', async ({ number, ...question }: Question & { number: number }) => {
    try {
      parentPort?.postMessage({ number, answer: await answerTo(question as unknown as Question) })
    } catch (error) {
      parentPort?.postMessage({ number, failed: (error as Error).message })
    }
  })
}
