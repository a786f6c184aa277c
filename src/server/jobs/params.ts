import { z } from 'zod'

export const JobParams = z.object({ jobId: z.uuid() })
export type JobContext = { params: Promise<{ jobId: string }> }
