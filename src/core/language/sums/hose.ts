import { type P, spoken } from '../spoken'

export const W = spoken({
  valveCores: 'Valve cores',
  leftIn: 'left in',
  outThroughACoreTool: 'out, through a core tool',
  hosesToTheCar: 'Hoses to the car',
  bothSides: 'both sides',
  lowSideOnly: 'low side only',
  aRig: 'a rig',
  cfm: (short: P) => `${short} cfm`,
  hoseAndCore: 'Hose and core',
  whatDoTheHoseAnd: 'What do the hose and the valve core leave of the pump?',
  pumpByItsPlate: 'Pump, by its plate',
  hoseBore: 'Hose, bore',
  andLength: 'and length',
  airAround: 'Air around',
  viscousDP128L:
    'viscous π d⁴ p̄/(128 η L) and molecular A v/4 ÷ (1 + 3L/4d) in parallel, links in series; effective speed = ' +
    'flow out of the car over the pressure there',
  rigModelOfThisProgram:
    'rig model of this program, the same the pull is predicted with; a core is a tube of 1.8 mm by 15 mm (assumed)',
  atTheAir: 'at the air',
  atMicron: (depth: P) => `at ${depth} micron`,
  at500Micron: (cfm: P) => `${cfm} at 500 micron`,
  atTheLowPort500: 'At the low port, 500 micron',
  ofThePlate: (cfm: P, short: P) => `${cfm}, ${short} % of the plate`,
  withTheCores: (other: P) => `With the cores ${other}`,
  timesThat: (cfm: P, short: P) => `${cfm}, ${short} times that`,
  theDeeperTheNarrower: 'The deeper, the narrower',
  aHosePassesGasBy: 'a hose passes gas by its pressure: at the end the bore decides, not the pump',
  mm: (short: P) => `${short} mm`,
  ofThePlate2: 'of the plate',
  cores2: (cores: P) => `cores ${cores}`,
  line: (pump: P, bore: P, length: P, cores: P, speeds: P) =>
    `Pump ${pump}, hose ${bore} by ${length}, cores ${cores}: ${speeds} at the low port.`,
  speedAt: (speed: P, depth: P) => `${speed} ${depth}`,
})
