import { type P, spoken } from '../spoken'

export const W = spoken({
  stillFallingAtMicronLet: (inMicron: P) => `Still falling at ${inMicron} micron: let it run and read again.`,
  itReachesMicronByItself: (inMicron: P, inMicron2: P) =>
    `It reaches ${inMicron} micron by itself; its plate says ${inMicron2}.`,
  itStaysAtMicronBy: (inMicron: P, inMicron2: P) =>
    `It stays at ${inMicron} micron by itself, its plate says ${inMicron2}: it needs oil, not time. After fresh ` +
    `oil: its seals or the gauge.`,
  no: 'no',
  paMS: (p1: P) => `${p1} Pa m³/s`,
  theHoseGivesByItself: (shown: P) => `The hose gives ${shown} by itself, as a new one does.`,
  theHoseGivesByItselfAs: (shown: P) =>
    `The hose gives ${shown} by itself, as old rubber does. It is taken off every hold from now on.`,
  comeInMoreThanRubber: (shown: P) =>
    `${shown} come in, more than rubber gives: look at its seals and ends before it is blamed on a car.`,
})
