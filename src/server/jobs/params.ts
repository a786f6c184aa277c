import * as z from 'zod'
import { Id } from '@/core/entry/id'

export const JobParams = z.object({ jobId: Id })
export type JobContext = { params: Promise<{ jobId: string }> }
