import { LARGEST_PHOTO } from '@/core/job/photos'
import { W } from '@/core/language/pages/photos-route'
import { forUser } from '@/server/accounts/session'
import { AppError } from '@/server/errors'
import { handle, parseInput, readBytes } from '@/server/http'
import { type JobContext, JobParams } from '@/server/jobs/params'
import { recordedSince } from '@/server/jobs/record-deeds'
import { keepPhoto, PhotoSaid } from '@/server/photos/photos'

/** Takes a photograph as bytes; what it shows stands in the address. */
export const POST = handle(async (request, context: JobContext) => {
  const scope = await forUser()
  const { jobId } = parseInput(JobParams, await context.params)
  const said = parseInput(PhotoSaid, Object.fromEntries(new URL(request.url).searchParams))
  if (!/^image\//.test(request.headers.get('content-type') ?? ''))
    throw new AppError('bad-input', W.sendAPictureWithIts)
  const bytes = await readBytes(request, LARGEST_PHOTO, W.aPhotographIs1Mb)
  const appended = await keepPhoto(scope, jobId, said, bytes)
  return Response.json(await recordedSince(scope, jobId, appended.length > 0 ? undefined : 1, appended), {
    status: 201,
  })
})
