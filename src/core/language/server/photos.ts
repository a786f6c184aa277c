import { type P, spoken } from '../spoken'

export const W = spoken({
  thisIsNoPhotographThat: 'This is no photograph that can be read: JPEG, PNG or WebP.',
  noPicture: 'no picture',
  thisPhotographIsLargerThan: 'This photograph is larger than 1 MB however it is kept: take it again, closer.',
  thisJob: 'this job',
  thisJobHasPhotographsAlready: (mostphotos: P) => `This job has ${mostphotos} photographs already: no more are taken.`,
  thisPhotograph: 'this photograph',
})
