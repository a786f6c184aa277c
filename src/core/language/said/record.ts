import { type P, spoken } from '../spoken'

export const W = spoken({
  aboveSaturationSoAirInside: 'above saturation, so air inside',
  asItShouldBe: 'as it should be',
  belowSaturationSoNoLiquid: 'below saturation, so no liquid left',
  serviceManual: 'service manual',
  oilMl: (oilOwedMl: P, oilReason: P) => `; oil ${oilOwedMl} mL, ${oilReason}`,
  label: 'Label',
  fromTheOil: (refrigerant: P, typed: P, source: P, oilKind: P) =>
    `${refrigerant}, ${typed}, from the ${source}; oil ${oilKind}`,
  recovered: 'Recovered',
  nothing: 'nothing',
  renewed: 'Renewed',
  procedure: 'Procedure',
  holdMin: (p1: P, vacuum: P, holdMinutes: P) => `${p1}: ${vacuum}, hold ${holdMinutes} min`,
  pull: (i: P) => `Pull ${i}`,
  min: (parse: P) => `, ${parse} min`,
  hold: (i: P) => `Hold ${i}`,
  backTo: (stepnames: P) => `Back to ${stepnames}`,
  atIdle: 'At idle',
  at1500Rpm: 'At 1,500 rpm',
  notRead: 'not read',
  lowHighVentAt: (bothPressures: P, p2: P, celsius: P, celsius2: P, note: P) =>
    `low ${bothPressures}; high ${p2}; vent ${celsius} at ${celsius2}${note}`,
  atRestCharged: 'At rest, charged',
  inPlainWords: 'In plain words',
  signed: 'Signed',
  readings: (certificateWords: P, at: P, readingCount: P) => `, ${certificateWords}, ${at}; ${readingCount} readings`,
  nitrogen: 'Nitrogen',
  sweptTimesBy: (times: P, p2: P) => `swept ${times} times, by ${p2}`,
  theyRose: 'they rose',
  theyStoodStill: 'they stood still',
  heldMin: (minutes: P, p2: P, by: P) => `held ${minutes} min: ${p2}, ${by}`,
  hosesAlone: 'Hoses alone',
  lookedForTheLeak: 'Looked for the leak',
  chargedAndRecovered: 'Charged and recovered',
  wereChargedRecoveredAgain: (mass: P, mass2: P, at: P) => `${mass} were charged, ${mass2} recovered again, ${at}`,
  knownToLeak: 'Known to leak',
  upToWorstCaseCharged: (aYear: P, by: P, why: P, customer: P) =>
    `up to ${aYear}, worst case; charged all the same by ${by}: ${why}; the customer: ${customer}`,
  endedEarly: 'Ended early',
  can: 'can',
  cans: 'cans',
  byWholeCountedNotWeighed: (cans: P, p2: P) => `by ${cans} whole ${p2} counted, not weighed`,
  ofG: (targetG: P) => `of ${targetG} g`,
  charged: 'Charged',
  skippedByNotProvedThat: (by: P, why: P) =>
    `skipped by ${by}: ${why}. Not proved: that it is tight, and that it is dry.`,
  leftUnjudgedBy: (by: P, why: P) => `left unjudged by ${by}: ${why}`,
  leakHeldMin: (acceptedWords: P, verdict: P, chanceWords: P, heldS: P) =>
    `${acceptedWords}${verdict}, leak ${chanceWords}; held ${heldS} min`,
  wouldHaveShownALeak: (aYear: P) =>
    `Would have shown a leak of ${aYear}, worst case; not proved: a smaller one, a core under its coupler, a ` +
    `seal that opens under pressure only`,
  endedAfterOfMinBy: (heldS: P, plannedMinutes: P, by: P, why: P) =>
    `Ended after ${heldS} of ${plannedMinutes} min by ${by}: ${why}`,
  acceptedBy: (acceptedby: P, rule: P, by: P) => `accepted by ${acceptedby}${rule} (${by}); `,
  atWord: (bothPressures: P, celsius: P, rESTWORDS: P) => `${bothPressures} at ${celsius}: ${rESTWORDS}`,
  running: 'running',
})
