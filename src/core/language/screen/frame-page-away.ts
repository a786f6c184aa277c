import { type P, spoken } from '../spoken'

export const W = spoken({
  thisPageCannotBeShown: 'This page cannot be shown just now.',
  thisPageFailedOnOur: 'This page failed on our side.',
  oneMoment: 'One moment.',
  nothingThatWasRecordedIs:
    'Nothing that was recorded is lost. Load it again; if it fails again, what happened stands in the server’s log.',
  whenItIsBack: 'When it is back',
  whenItIsMended: 'When it is mended',
  loadItAgain: 'Load it again',
  nothingThatWasRecorded: (p1: P) =>
    `Nothing that was recorded is lost. ${p1} this page comes by itself; no need to load it again.`,
})
