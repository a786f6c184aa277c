import { W } from '@/core/language/screen/job-leave'
import type { FormDefinition } from '../forms/form-types'

export const sign: FormDefinition = {
  initial: (_state, _live, user) => ({ certificate: user.certificate, asked: user.certificateAsked ? 'yes' : 'no' }),
  parse: (values) =>
    values.certificate?.trim() || values.asked === 'no'
      ? { deeds: [] }
      : { errors: { certificate: W.theCertificateNumberGoesWith } },
}
