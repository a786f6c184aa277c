import { forUser } from '@/server/accounts/session'
import { handle, parseInput, readJson } from '@/server/http'
import { changeInstrument, InstrumentChange, selectInstruments } from '@/server/instruments/instruments'

/** The shop's instruments: what each said last, and where it hangs. */
export const GET = handle(async () => {
  const scope = await forUser()
  return Response.json({ instruments: await selectInstruments(scope) })
})

/** Registers, changes, renews or withdraws one; a token is told in this answer and never again. */
export const POST = handle(async (request) => {
  const scope = await forUser()
  const change = parseInput(InstrumentChange, await readJson(request))
  return Response.json(await changeInstrument(scope, change), { status: change.what === 'register' ? 201 : 200 })
})
