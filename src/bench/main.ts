import { Bench } from './bench'

const address = process.env.YPEROS_ADDRESS
const token = process.env.YPEROS_BENCH_TOKEN
if (!address || !token) {
  process.stderr.write('bench: YPEROS_ADDRESS and YPEROS_BENCH_TOKEN say where to send and as whom\n')
  process.exit(2)
}

/** Wall time between two looks at the shop, ms. */
const TICK_MS = 200

const bench = new Bench(address, token)
let ending = false
for (const signal of ['SIGINT', 'SIGTERM'] as const)
  process.on(signal, () => {
    ending = true
  })

// without the start command there is nobody to tell
process.on('disconnect', () => undefined)

while (!ending) {
  // the start command restarts a bench that is not heard of
  if (process.connected) process.send?.('alive')
  await bench.tick().catch((error: Error) => process.stderr.write(`bench: ${error.message}\n`))
  await new Promise((done) => setTimeout(done, TICK_MS))
}
process.exit(0)
