import type { FormDefinition } from '../forms/form-types'

export const sign: FormDefinition = {
  initial: (_state, _live, user) => ({ certificate: user.certificate }),
  parse: (values) =>
    values.certificate?.trim()
      ? { deeds: [] }
      : { errors: { certificate: 'the certificate number goes with the record' } },
}
