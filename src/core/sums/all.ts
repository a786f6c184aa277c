import { BOILING_SUM } from './boiling-sum'
import { CANS_SUM } from './cans-sum'
import { HOLD_SUM } from './hold-sum'
import { HOSE_SUM } from './hose-sum'
import { LEAK_SUM } from './leak-sum'
import { NEEDLE_SUM } from './needle-sum'
import { NITROGEN_SUM } from './nitrogen-sum'
import { OIL_SUM } from './oil-sum'
import { POUNDS_SUM } from './pounds-sum'
import { PULL_SUM } from './pull-sum'
import { REFRIGERANT_SUM } from './refrigerant-sum'
import type { Sum } from './sum'
import { UNITS_SUM } from './units-sum'

/** Every sum, in the order the work asks for them. */
export const SUMS: readonly Sum[] = [
  NEEDLE_SUM,
  BOILING_SUM,
  PULL_SUM,
  HOSE_SUM,
  HOLD_SUM,
  LEAK_SUM,
  CANS_SUM,
  POUNDS_SUM,
  REFRIGERANT_SUM,
  NITROGEN_SUM,
  OIL_SUM,
  UNITS_SUM,
]
