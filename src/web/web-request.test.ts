import { createServer, request } from 'node:http'
import type { AddressInfo } from 'node:net'
import { text } from 'node:stream/consumers'
import { afterAll, beforeAll, expect, test } from 'vitest'
import { type Asked, handle, readText } from '@/server/http'
import { lingerBehind } from './linger'
import { asked, writeAnswer } from './web-request'

const echo = handle<undefined, Asked>(async (sent) =>
  sent.headers.get('authorization')
    ? Response.json({ text: await readText(sent), method: sent.method })
    : new Response('who?', { status: 401 }),
)
const server = createServer((message, response) => {
  lingerBehind(message)
  void echo(asked(message), undefined).then((answer) => writeAnswer(answer, response))
})
let port = 0

beforeAll(async () => {
  await new Promise<void>((done) => server.listen(0, '127.0.0.1', done))
  port = (server.address() as AddressInfo).port
})
afterAll(() => server.close())

/** Sends pieces of a body one after the other, without saying how long it is, and reads what comes back. */
function send(pieces: readonly string[], headers: Record<string, string> = { authorization: 'somebody' }) {
  return new Promise<{ status: number | undefined; said: string }>((done, failed) => {
    const out = request({ host: '127.0.0.1', port, method: 'POST', headers }, async (answer) =>
      done({ status: answer.statusCode, said: await text(answer) }),
    )
    out.on('error', failed)
    for (const piece of pieces) out.write(piece)
    out.end()
  })
}

test('a body in pieces is read whole, letters cut between two of them too', async () => {
  const { status, said } = await send(['{"value":1}\n', '{"note":"Überdruck"}'])
  expect(status).toBe(200)
  expect(JSON.parse(said)).toEqual({ text: '{"value":1}\n{"note":"Überdruck"}', method: 'POST' })
  expect(JSON.parse((await send([])).said)).toMatchObject({ text: '' })
})

test('one that is too long is answered, not reset, and the line takes the next', async () => {
  const long = Array.from({ length: 12 }, () => 'x'.repeat(64 * 1024))
  expect((await send(long)).status).toBe(413)
  expect((await send(['fine'])).status).toBe(200)
})

test('whoever is not let in is answered before the body was looked at', async () => {
  expect(await send(['x'.repeat(300_000)], {})).toEqual({ status: 401, said: 'who?' })
})
