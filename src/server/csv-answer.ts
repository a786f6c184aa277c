/** A file of comma-separated values, sent part by part as it is made. */
export function csvAnswer(parts: AsyncIterable<string>, name: string): Response {
  const encoder = new TextEncoder()
  const each = parts[Symbol.asyncIterator]()
  const body = new ReadableStream<Uint8Array>({
    async pull(controller) {
      const { done, value } = await each.next()
      if (done) controller.close()
      else controller.enqueue(encoder.encode(value))
    },
    async cancel() {
      await each.return?.()
    },
  })
  return new Response(body, {
    headers: {
      'content-type': 'text/csv; charset=utf-8',
      'content-disposition': `attachment; filename="${name}"`,
    },
  })
}

/** The same of a text that is there whole. */
export const csvText = (text: string, name: string): Response =>
  new Response(text, {
    headers: { 'content-type': 'text/csv; charset=utf-8', 'content-disposition': `attachment; filename="${name}"` },
  })
