import { ShopSetUp } from '@/core/shop/set-up'
import { BadInput, type Command, emit, readArgs, readJsonFile } from './command'

/** Where `./yperos up --own` answers when nobody says otherwise. */
const OWN_ADDRESS = 'http://127.0.0.1:4601'

/** `set-up shop.json`: opens an empty shop from a file, as its first page does. */
export const setUp: Command = {
  usage: 'shop.json [--to ADDRESS] [--json]',
  does:
    'Opens an empty shop (./yperos up --own) from a file: docs/set-up.md has its fields. Refused where a shop is ' +
    'open already.',
  options: { '--to ADDRESS': `where it answers (${OWN_ADDRESS})` },
  run: async (args) => {
    const { values, positionals } = readArgs(args, { to: { type: 'string' } })
    const file = positionals[0]
    if (!file || positionals.length > 1) throw new BadInput('set-up takes one file')
    const shop = readJsonFile(file, ShopSetUp)
    const to = (values.to as string | undefined) ?? OWN_ADDRESS
    const answer = await fetch(`${to}/api/setup`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(shop),
    }).catch(() => {
      throw new BadInput(`nothing answers at ${to}: start it with ./yperos up --own, or say where with --to`)
    })
    const told = (await answer.json()) as { message?: string }
    if (!answer.ok) throw new BadInput(`${to}: ${told.message ?? answer.status}`)
    emit(
      values.json === true,
      { name: shop.name, at: to },
      (s) => `${s.name} is open at ${s.at}; sign in as ${shop.lead.signIn}`,
    )
    return 0
  },
}
