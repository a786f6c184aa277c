import { type P, spoken } from '../spoken'

export const W = spoken({
  itWasOpen: 'It was open',
  evaporators: 'Evaporators',
  one: 'one',
  two: 'two',
  overThreeHours: 'over three hours',
  min: (short: P) => `${short} min`,
  workingItOut: 'working it out…',
  halfAreDoneBy: 'Half are done by',
  n8Of10Between: '8 of 10 between',
  ofThatNoRigTells: 'Of that no rig tells',
  waterBeyondWhatTheStory: 'water beyond what the story has: a measured pull is judged as it goes',
  dryAndTight: 'dry and tight',
  n8Of10Pulls: '8 of 10 pulls',
  pull: 'Pull',
  howLongDoesThisRig: 'How long does this rig need to the target at the car?',
  targetAtTheFarSide: 'Target at the far side',
  pumpByItsPlate: 'Pump, by its plate',
  whatItReachesBlankedOff: 'what it reaches blanked off',
  hoseBore: 'Hose, bore',
  andLength: 'and length',
  airAround: 'Air around',
  pullsOfTheRigAs: (draws: P) =>
    `${draws} pulls of the rig as a network of tubes and volumes, with water drawn ` +
    `from the story, followed for three hours`,
  rigModelOfThisProgram: 'rig model of this program; water by the story is assumed (0.02 to 10 g)',
  line: (target: P, pump: P, bore: P, length: P, cores: P, p50: P, p10: P, p90: P) =>
    `To ${target} micron at the far side with ${pump}, hose ${bore} by ${length}, cores ${cores}: about ${p50}, ` +
    `8 of 10 between ${p10} and ${p90}.`,
})
