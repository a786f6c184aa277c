import { type P, spoken } from '../spoken'

export const W = spoken({
  copied: 'Copied.',
  thisBrowserDoesNotCopy: 'This browser does not copy: mark the line and copy it.',
  overPlainHttpNoBrowser: 'Over plain http no browser copies: mark the line and copy it.',
  copyTheLine: 'Copy the line',
  noteItInAJob: 'Note it in a job',
  noteItInAJob2: 'Note it in a job…',
  mbar: (airPa: P) => `${airPa} mbar`,
  sums: 'Sums',
  picture: 'Picture',
  figures: 'Figures',
  howItIsWorkedOut: 'How it is worked out',
  whatItComesTo: 'What it comes to',
  notedIn: (name: P) => `Noted in ${name}.`,
  from2: (p1: P) => `From: ${p1}.`,
})
