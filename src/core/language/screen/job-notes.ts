import { type P, spoken } from '../spoken'

export const W = spoken({
  notesAndPhotographs: 'Notes and photographs',
  noneYet: 'none yet',
  notes: 'Notes',
  photographs: 'Photographs',
  waitsToBeSent: ', waits to be sent',
  aWordOrTwo: 'a word or two',
  upTo200Letters: 'up to 200 letters',
  note: 'Note',
  whatTheNextOneShould: 'what the next one should know',
  noteIt: 'Note it',
  thisIsNoPhotographThat: 'This is no photograph that can be read: JPEG, PNG or WebP.',
  thisPhotographIsLargerThan: 'This photograph is larger than 1 MB however it is kept: take it again, closer.',
  itShows: 'It shows',
  inWords: 'In words',
  mayStayEmpty: 'may stay empty',
  sending: 'Sending …',
  photograph: 'Photograph',
  and: (length: P, length2: P) => `${length} and ${length2}`,
})
