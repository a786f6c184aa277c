import { spoken } from '../spoken'

export const W = spoken({
  aRecordWithItsReadings: 'a record with its readings is smaller than 50 MB',
  theBodyIsNotJson: 'the body is not JSON',
})
