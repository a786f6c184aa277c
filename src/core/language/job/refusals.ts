import { type P, spoken } from '../spoken'

export const W = spoken({
  hangsOnItItsHoses: (p1: P) => `${p1} hangs on it: its hoses come off before another rig is taken`,
  itIsShutInAlready: 'it is shut in already, and was not pulled since',
  isFinishedAlreadyThisCar: (stepnames: P, stepnames2: P) =>
    `${stepnames} is finished already: this car is at ${stepnames2}`,
  thisHoldWasEndedAlready: 'this hold was ended already',
  thisHoldWasSkippedAlready: 'this hold was skipped already',
  nothingHoldsThatCouldBe: 'nothing holds that could be lengthened',
  aSearchIsOnAlready: 'a search is on already',
  noNitrogenWasLetIn: 'no nitrogen was let in',
  theHosesAreShutIn: 'the hoses are shut in already',
  theHosesWereNotShut: 'the hoses were not shut in',
  thisCarIsAtLies: (stepnames: P, stepnames2: P) => `this car is at ${stepnames}: ${stepnames2} lies not before it`,
  itIsLeftStandingAlready: 'it is left standing already',
  itIsNotLeftStanding: 'it is not left standing',
  thisJobIsClosedAlready: 'this job is closed already',
  thisJobIsNotClosed: 'this job is not closed',
  whatWasRecoveredIsBooked: 'what was recovered is booked already: read both gauges again before more is',
  theGaugesWereExplainedSo: 'the gauges were explained so already',
  thatItemOfTheList: 'that item of the list stands so already',
  somebodyHasSeenThisAlarm: 'somebody has seen this alarm already',
  noChargeIsPlannedYet: 'no charge is planned yet',
  itIsJudgedSoAlready: 'it is judged so already',
  nothingWithThisIdWaits: 'nothing with this id waits to be chosen',
  itsOilIsBeingChanged: 'its oil is being changed already',
  nobodyBeganToChangeThe: 'nobody began to change the pump’s oil on this car',
  theHoldGoesOnAlready: 'the hold goes on already',
  thatWasDecidedAlready: 'that was decided already',
  holdsTheCarsLabelAsks: (id: P, refrigerant: P, asked: P) =>
    `${id} holds ${refrigerant}, the car’s label asks for ${asked}: never mix, take another container`,
  isThereTwiceEachContainer: (id: P) => `${id} is there twice; each container is listed once`,
  wasOnThisCarAlready: (id: P) => `${id} was on this car already; give another container another name`,
  isNotInTheCharge: (id: P) => `${id} is not in the charge plan: plan the charge with it first`,
  isStillOnShutIt: (id: P) => `${id} is still on: shut it and weigh it first`,
  wasOnAndWasWeighed: (id: P) => `${id} was on and was weighed off already`,
  gIsNotAboveThe: (grossG: P, netG: P) =>
    `${grossG} g is not above the ${netG} g net of a full one: partly used? Plan it with its empty weight`,
  gIsLessThanIts: (grossG: P, tareG: P) =>
    `${grossG} g is less than its own empty weight of ${tareG} g: check tare and scale`,
  noSearchForALeak: 'no search for a leak is on: begin one first',
  kpaIsAboveTheKpa: (pressurePaG: P, nitrogenLimitPaG: P) =>
    `${pressurePaG} kPa is above the ${nitrogenLimitPaG} kPa this car’s label allows: let in less, and type what ` +
    `it was`,
  nitrogenIsInAlreadyLet: 'nitrogen is in already: let it out first',
  thereIsAChargeIn: 'there is a charge in this car: it is recovered before nitrogen goes in',
  noCansAreCountedOn: 'no cans are counted on this car: say how many first',
  allCansAreEmptyAlready: (count: P) => `all ${count} cans are empty already`,
  is: (id: P) => `, ${id} is`,
  itWasWeighedOffAlready: ': it was weighed off already, or never put on',
  isNotOnTheScale: (id: P, p2: P) => `${id} is not on the scale${p2}`,
  itStoodAtGWhen: (startGrossG: P) => `it stood at ${startGrossG} g when it went on: a container does not gain`,
})
