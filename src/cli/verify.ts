import { RecordFile, type VerifyResult, verifyRecord } from '@/core/record/record'
import { groupedFingerprint } from '@/core/record/signing-key'
import { nodeCrypto } from '@/node/record-crypto'
import { BadInput, type Command, EXIT_NEGATIVE, readArgs, readJsonFile, readTextFile } from './command'

/** `verify record.json`: whether a record is as it was signed, and the first place where it is not. */
export const verify: Command = {
  usage: 'record.json [--readings readings.csv] [--key KEY-OR-FINGERPRINT]',
  does:
    'Checks every link of the record, its readings and its signature; exit 3 and the first broken place when one ' +
    'fails.',
  options: {
    '--readings FILE': 'the exported readings, checked against the signed digest',
    '--key KEY-OR-FINGERPRINT':
      "the shop's public key or its fingerprint (on its Shop page): without it nobody knows whose signature it is",
  },
  run: (args) => {
    const { values, positionals } = readArgs(args, { readings: { type: 'string' }, key: { type: 'string' } })
    const file = positionals[0]
    if (!file || positionals.length > 1) throw new BadInput('verify takes one record file')
    const record = readJsonFile(file, RecordFile)
    const readings = values.readings === undefined ? undefined : readTextFile(values.readings as string)
    const result = verifyRecord(record, nodeCrypto, readings, values.key as string | undefined)
    if (values.json) process.stdout.write(`${JSON.stringify(result)}\n`)
    else if (result.first_broken)
      process.stdout.write(`Broken at ${result.first_broken.place}: it ${result.first_broken.reason}.\n`)
    else
      process.stdout.write(
        `Intact: ${result.events} events, signed by ${record.signed.by} at ` +
          `${record.signed.at}.\n${keySentence(result)}\n`,
      )
    return result.intact ? 0 : EXIT_NEGATIVE
  },
}

/** Whose key it was, and whether anybody compared it. */
function keySentence({ key }: VerifyResult): string {
  const print = groupedFingerprint(key?.fingerprint ?? '')
  return key?.checked
    ? `Signed with the key that was given, ${print}.`
    : `Signed with the key ${print}, which was NOT checked: anybody can sign a changed record anew with a key of ` +
        `his own. Compare it with the shop's (--key).`
}
