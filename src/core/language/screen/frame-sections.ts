import { spoken } from '../spoken'

export const W = spoken({
  sums: 'Sums',
  checkARecord: 'Check a record',
  book: 'Book',
  records: 'Records',
  cars: 'Cars',
  callIn: 'Call in',
  ledger: 'Ledger',
  statement: 'Statement',
  people: 'People',
  bringIn: 'Bring in',
  bench: 'Bench',
  rigRoom: 'Rig room',
  judgeAFile: 'Judge a file',
})
