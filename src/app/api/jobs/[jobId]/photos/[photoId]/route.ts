import * as z from 'zod'
import { Id } from '@/core/entry/id'
import { forUser } from '@/server/accounts/session'
import { handle, parseInput } from '@/server/http'
import { selectPhoto } from '@/server/photos/photos'

const Params = z.object({ jobId: Id, photoId: Id })

export const GET = handle(async (_request, context: { params: Promise<z.infer<typeof Params>> }) => {
  const scope = await forUser()
  const { jobId, photoId } = parseInput(Params, await context.params)
  const image = await selectPhoto(scope, jobId, photoId)
  return new Response(new Uint8Array(image), {
    // a photograph never changes; it is nobody's but this shop's
    headers: { 'content-type': 'image/jpeg', 'cache-control': 'private, max-age=31536000, immutable' },
  })
})
