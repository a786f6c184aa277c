import { spoken } from '../spoken'

export const W = spoken({
  sendAPictureWithIts: 'send a picture, with its content-type such as image/jpeg',
  aPhotographIs1Mb: 'a photograph is 1 MB at most',
})
