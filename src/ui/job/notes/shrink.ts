import { LARGEST_PHOTO, PHOTO_SIDE_PX } from '@/core/job/photos'
import { W } from '@/core/language/screen/job-notes'

const QUALITIES = [0.85, 0.7, 0.5]

/**
 * A photograph made small where it is taken: drawn anew, so that nothing but the picture travels.
 * @throws Error in words when it is none
 */
export async function shrunk(file: Blob): Promise<Blob> {
  const picture = await createImageBitmap(file).catch(() => {
    throw new Error(W.thisIsNoPhotographThat)
  })
  const scale = Math.min(1, PHOTO_SIDE_PX / Math.max(picture.width, picture.height))
  const canvas = document.createElement('canvas')
  canvas.width = Math.round(picture.width * scale)
  canvas.height = Math.round(picture.height * scale)
  canvas.getContext('2d')?.drawImage(picture, 0, 0, canvas.width, canvas.height)
  for (const quality of QUALITIES) {
    const blob = await new Promise<Blob | null>((resolve) => canvas.toBlob(resolve, 'image/jpeg', quality))
    if (blob && blob.size <= LARGEST_PHOTO) return blob
  }
  throw new Error(W.thisPhotographIsLargerThan)
}
