import { type P, spoken } from '../spoken'

export const W = spoken({
  hOnThisOil: (hours: P) => `${hours} h on this oil`,
  aWetJob: 'a wet job',
  wetJobs: (wetJobs: P) => `${wetJobs} wet jobs`,
  oilDueSinceTheChange: (p1: P, run: P) => `oil due: ${p1} since the change, ${run}`,
  oilDueIsItsMeasure: (run: P, oilhours: P) => `oil due: ${run}, ${oilhours} is its measure`,
  dueAtHOrAfter: (run: P, oilhours: P) => `${run}, due at ${oilhours} h or after a wet job`,
  dueSince: (p1: P, on: P) => `${p1} due since ${on}`,
  due: (name: P, p2: P) => `${name} due ${p2}`,
})
