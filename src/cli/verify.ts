import { createHash, createPublicKey, verify as verifySignature } from 'node:crypto'
import { type RecordCrypto, RecordFile, verifyRecord } from '@/core/record/record'
import { BadInput, type Command, EXIT_NEGATIVE, readArgs, readJsonFile, readTextFile } from './command'

const nodeCrypto: RecordCrypto = {
  sha256: (text) => createHash('sha256').update(text, 'utf8').digest('hex'),
  verify: (text, publicKey, signature) => {
    try {
      const key = createPublicKey({ key: Buffer.from(publicKey, 'base64'), format: 'der', type: 'spki' })
      return verifySignature(null, Buffer.from(text, 'utf8'), key, Buffer.from(signature, 'base64'))
    } catch {
      return false
    }
  },
}

/** `verify record.json`: whether a record is as it was signed, and the first place where it is not. */
export const verify: Command = {
  usage: 'record.json [--readings readings.csv] [--key BASE64]',
  does: 'Checks every link of the record, its readings and its signature; exit 3 and the first broken place when one fails.',
  options: { '--readings FILE': 'the exported readings, checked against the signed digest', '--key BASE64': "the shop's public key: without it any key's signature passes" },
  run: (args) => {
    const { values, positionals } = readArgs(args, { readings: { type: 'string' }, key: { type: 'string' } })
    const file = positionals[0]
    if (!file || positionals.length > 1) throw new BadInput('verify takes one record file')
    const record = readJsonFile(file, RecordFile)
    const readings = values.readings === undefined ? undefined : readTextFile(values.readings as string)
    const result = verifyRecord(record, nodeCrypto, readings, values.key as string | undefined)
    if (values.json) process.stdout.write(`${JSON.stringify(result)}\n`)
    else if (result.first_broken) process.stdout.write(`Broken at ${result.first_broken.place}: it ${result.first_broken.reason}.\n`)
    else process.stdout.write(`Intact: ${result.events} events, signed by ${record.signed.by} at ${record.signed.at}.\n`)
    return result.intact ? 0 : EXIT_NEGATIVE
  },
}
