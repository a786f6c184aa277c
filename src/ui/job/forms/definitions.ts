import type { FormName } from '@/core/call/types'
import { containerEnd, containerStart } from '../charge/container-definitions'
import { plan } from '../charge/plan-definition'
import { fix } from '../fix/fix-definition'
import { leakFound } from '../fix/search/found-definition'
import { sign } from '../leave/sign-definition'
import { proof } from '../prove/proof-definition'
import { recovered, zero } from '../zero/zero-definition'
import type { FormDefinition } from './form-types'

/** Every form a call may name. */
export const FORMS: Record<FormName, FormDefinition> = {
  zero,
  recovered,
  fix,
  'leak-found': leakFound,
  plan,
  'container-start': containerStart,
  'container-end': containerEnd,
  proof,
  sign,
}
