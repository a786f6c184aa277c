import { createPrivateKey, sign } from 'node:crypto'
import type { JobEvent } from '@/core/job/events'
import { eventHash, type RecordEvent } from '@/core/record/record'
import { sha256 } from '@/node/record-crypto'

/** Ed25519 signature in base64 by a PKCS 8 key in PEM. */
export const signText = (text: string, privateKeyPem: string): string =>
  sign(null, Buffer.from(text, 'utf8'), createPrivateKey(privateKeyPem)).toString('base64')

/** An event as the record file writes it, without its hash. */
export const recordForm = (event: JobEvent, previous: string): Omit<RecordEvent, 'hash'> => ({
  id: event.id,
  kind: event.kind,
  happened_at: event.happenedAt,
  stored_at: event.storedAt,
  by: event.by,
  payload: event.payload,
  previous,
})

export const hashOf = (event: JobEvent, previous: string): string => eventHash(recordForm(event, previous), sha256)
