import { type P, spoken } from '../spoken'

export const W = spoken({
  thisJob: 'this job',
  twoEventsOfOneRequest: 'two events of one request have the same id',
  isThereTwiceEachEvent: 'is there twice: each event has an id of its own',
  anEventWithTheId: (id: P) => `an event with the id ${id} is stored with another content; give a new event a new id`,
  doesNotWorkHereOr: (p1: P) => `${p1} does not work here, or not under that name: pick somebody of the shop`,
  isNoContainerOfThe: (id: P) => `${id} is no container of the shelf: pick it anew, or type its weights`,
  holdsTheCarsLabelAsks: (id: P, held: P, refrigerant: P) =>
    `${id} holds ${held}, the car’s label asks for ${refrigerant}: never mix, take another container`,
  theRecordIsSignedWhat: 'The record is signed: what changes now is a correction on top of it.',
  aSignedRecordIsCorrected: 'A signed record is corrected by whoever signed it, or by the lead.',
  thisCarIsNotHolding: 'This car is not holding now.',
  fromAFile: 'from a file',
  aSimulatedCarBeginsNow: 'a simulated car begins now: its clock cannot be dated back',
  liesAheadOfNow: (p1: P) => `lies ahead of now, ${p1}`,
  liesMoreThanDaysBack: (mostdaysback: P) => `lies more than ${mostdaysback} days back`,
  openedat: (fault: P) => `openedAt: ${fault}`,
  isWrittenByTheServer: (kind: P) => `${kind} is written by the server`,
  hasARequestOfIts: 'has a request of its own',
  liesAheadOfTheJobs: (iso: P, iso2: P) => `${iso} lies ahead of the job’s clock, which shows ${iso2}`,
  liesBeforeTheCarCame: (iso: P, iso2: P) => `${iso} lies before the car came, at ${iso2}`,
  liesBeforeWhatItFollows: (iso: P, iso2: P) => `${iso} lies before what it follows, at ${iso2}`,
  agoWhatYouPressedWas: (by: P, lengthWords: P, eventWords: P) =>
    `${by}, ${lengthWords} ago: ${eventWords}. What you pressed was for the car as it was before; nothing was ` +
    `recorded.`,
  theSimulatedBenchBelongsTo: 'The simulated bench belongs to the demo place.',
  onlyInTheDemoPlace: 'only in the demo place',
  theBenchCannotPlayThis: (path: P, why: P) => `the simulated bench cannot play this car: ${path}: ${why}`,
  onlyACarOnThe: 'Only a car on the simulated bench can be started, stopped or hurried.',
  theScenario: (name: P) => `the scenario “${name}”`,
})
