import { spoken } from '../spoken'

export const W = spoken({
  thisJob: 'this job',
})
