import { type P, spoken } from '../spoken'

export const W = spoken({
  thereIsNoSuchOn: (kind: P) => `there is no such ${kind} on the shelf`,
  isRetiredTakeAnother: (p1: P, kind: P) => `${p1} is retired: take another ${kind}`,
  isKeptForTheRecovery: (p1: P) => `${p1} is kept for the recovery machine: its oil and gas would come along`,
  theSameHoseCannotBe: 'the same hose cannot be in two places',
  stillFallingAtMicronLet: (inMicron: P) => `Still falling at ${inMicron} micron: let it run and read again.`,
  itReachesMicronByItself: (inMicron: P, inMicron2: P) =>
    `It reaches ${inMicron} micron by itself; its plate says ${inMicron2}.`,
  itStaysAtMicronBy: (inMicron: P, inMicron2: P) =>
    `It stays at ${inMicron} micron by itself, its plate says ${inMicron2}: it needs oil, not time. After fresh oil: its seals or the gauge.`,
  no: 'no',
  paMS: (p1: P) => `${p1} Pa m³/s`,
  theHoseGivesByItself: (shown: P) => `The hose gives ${shown} by itself, as a new one does.`,
  theHoseGivesByItselfAs: (shown: P) =>
    `The hose gives ${shown} by itself, as old rubber does. It is taken off every hold from now on.`,
  comeInMoreThanRubber: (shown: P) =>
    `${shown} come in, more than rubber gives: look at its seals and ends before it is blamed on a car.`,
  aNamePeopleUse: 'a name people use',
  aContainerCannotWeighLess: 'a container cannot weigh less than when it is empty',
  threeReadingsAtLeast: 'three readings at least',
  fourReadingsAtLeast: 'four readings at least',
  hOnThisOil: (hours: P) => `${hours} h on this oil`,
  aWetJob: 'a wet job',
  wetJobs: (wetJobs: P) => `${wetJobs} wet jobs`,
  oilDueSinceTheChange: (p1: P, run: P) => `oil due: ${p1} since the change, ${run}`,
  oilDueIsItsMeasure: (run: P, oilhours: P) => `oil due: ${run}, ${oilhours} is its measure`,
  dueAtHOrAfter: (run: P, oilhours: P) => `${run}, due at ${oilhours} h or after a wet job`,
  dueSince: (p1: P, on: P) => `${p1} due since ${on}`,
  due: (name: P, p2: P) => `${name} due ${p2}`,
})
