import { spoken } from '../spoken'

export const W = spoken({
  notices: 'Notices ({hotkey})',
  done: 'Done',
})
