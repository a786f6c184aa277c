import * as z from 'zod'
import { W } from '@/core/language/screen/job-ways'
import type { Deeds } from '../use-deeds'

export type WayProps = { deeds: Deeds; onDone: () => void }

/** The reason of a way that leaves the path: the record keeps it. */
export const WHY = z.string().trim().min(1, W.aWordOrTwoThe).max(200)
export const REASONED = z.object({ choice: z.string(), why: WHY })
