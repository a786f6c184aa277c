import { decidedAt } from '../hold/decided'
import { judgeHold } from '../hold/judge'
import { LEAK_RANGE_PA_M3_S } from '../hold/judged'
import { leakGramsPerYear } from '../hold/leak-rate'
import { rulesOn } from '../schools/rules'
import { type KnownRecord, knownRecord } from './records'
import { idealObserver, isDamp, type Scored, scored, scoreOf } from './score'
import { named, SPOILS, spoiledRecord } from './spoiled'

/** One figure of the judge with what is asked of it. */
export type Figure = {
  name: string
  value: number
  unit: '%' | 'min' | ''
  least?: number
  most?: number
  of: number
  holds: boolean
}

/** What the schools' simple rules did on the same records. */
export type RuleFigure = { rule: string; judgedOf: number; leaksPassed: number; cleanFailed: number }

export const figure = (
  name: string,
  value: number,
  unit: Figure['unit'],
  of: number,
  bounds: { least?: number; most?: number },
): Figure => ({
  name,
  value,
  unit,
  of,
  ...bounds,
  holds:
    Number.isFinite(value) &&
    (bounds.least === undefined || value >= bounds.least) &&
    (bounds.most === undefined || value <= bounds.most),
})
export const percent = (share: number): number => 100 * share
export const share = <T>(all: readonly T[], test: (one: T) => boolean): number =>
  all.length === 0 ? Number.NaN : all.filter(test).length / all.length

/**
 * Everything asked of the judge, measured on records of known truth.
 * @param records - how many of the electronic kind; needles, spoilt records and times to a decision are in proportion
 * @param from - first seed; other seeds, other records
 */
export function proveJudge(records: number, from = 1): { figures: Figure[]; rules: RuleFigure[] } {
  const seeds = (n: number) => Array.from({ length: Math.max(6, Math.round(n)) }, (_, i) => from + i)
  const electronic = seeds(records).map((seed) => scored(knownRecord(seed)))
  const s = scoreOf(electronic)
  const clean = electronic.filter((e) => e.record.truth.leakPaM3S === 0 && e.result.verdict !== 'invalid')
  const wet = clean.filter((e) => isDamp(e.record))
  const told = s.leaksTellable + s.cleanTellable
  return {
    figures: [
      figure('tellable leaks called tight or damp', percent(s.leaksCalledTight), '%', s.leaksTellable, { most: 1 }),
      figure('tight or damp cars called leaking', percent(s.cleanCalledLeak), '%', clean.length, { most: 2 }),
      figure('· of these, with water in them', percent(share(wet, leaking)), '%', wet.length, {}),
      figure('undecided of what can be told', percent(s.undecidedShare), '%', told, { most: 8 }),
      figure('Brier score of what can be told', s.brierTellable, '', told, { most: 0.02 }),
      figure('Brier score of all', s.brierAll, '', s.records, { most: 0.135 }),
      figure('log score of all', s.logAll, '', s.records, { most: 0.45 }),
      figure('of those said to leak with 0.9 and more, leaking', percent(s.surely.leaking), '%', s.surely.of, {
        least: 95,
      }),
      figure('of those said to leak with 0.1 and less, leaking', percent(s.hardly.leaking), '%', s.hardly.of, {
        most: 5,
      }),
      figure('95 % intervals that hold a leak’s rise', percent(s.coverage), '%', s.leaks, { least: 90, most: 97 }),
      figure('· of all cars', percent(s.coverageOfAll), '%', s.records, {}),
      figure('width of the interval, share of the rise, median', percent(s.widthShare), '%', s.leaksTellable, {
        most: 15,
      }),
      figure('grams a year that hold the loss of what was called leaking', percent(s.gramsCovered), '%', s.records, {
        least: 90,
      }),
      figure('tight or damp verdicts that hide a leak above their limit', percent(s.hidden), '%', clean.length, {
        most: 4,
      }),
      figure('damp against dry, area under the curve', s.dampAuc, '', clean.length, { least: 0.9 }),
      figure('good records called invalid', percent(s.calledInvalid), '%', s.records, { most: 2 }),
      ...spoiledFigures(seeds(records / 8)),
      ...timeFigures(seeds(records / 8)),
      ...needleFigures(seeds(records / 2)),
    ],
    rules: rulesOver(electronic),
  }
}

const leaking = ({ result }: Scored): boolean => result.verdict === 'leak' || result.verdict === 'leak-and-damp'

function spoiledFigures(seeds: readonly number[]): Figure[] {
  const each = SPOILS.map((spoil) => {
    const found = share(seeds, (seed) => named(spoiledRecord(seed, spoil)))
    return { spoil, found }
  })
  const mean = each.reduce((sum, e) => sum + e.found, 0) / each.length
  return [
    figure('unusable records named with the right span', percent(mean), '%', seeds.length * each.length, { least: 95 }),
    ...each.map(({ spoil, found }) => figure(`· of these, ${spoil}`, percent(found), '%', seeds.length, {})),
  ]
}

/** A hold of this length tells what can just be told, s. */
const HALF_HOUR_S = 1800

/** How long a leak of several times what half an hour can just tell takes to be decided. */
function timeFigures(seeds: readonly number[]): Figure[] {
  return [
    { times: 10, most: 15 },
    { times: 3, most: 25 },
  ].map(({ times, most }) => {
    const minutes = seeds.map((seed) => {
      const dry = knownRecord(seed, { leakPaM3S: 0, minutes: HALF_HOUR_S / 60, everyS: 1 })
      const least = leastTellable(dry)
      const leaking = knownRecord(seed, {
        leakPaM3S: Math.min(3e-3, times * least),
        minutes: HALF_HOUR_S / 60,
        everyS: 1,
      })
      const result = judgeHold(leaking.samples, leaking.context)
      const at =
        result.verdict === 'leak' || result.verdict === 'leak-and-damp'
          ? decidedAt(leaking.samples, leaking.context, result)
          : null
      return at === null ? Number.POSITIVE_INFINITY : at / 60
    })
    const middle = [...minutes].sort((a, b) => a - b)[minutes.length >> 1] as number
    return figure(
      `a leak of ${times} times what half an hour can just tell is decided after, median`,
      middle,
      'min',
      seeds.length,
      { most },
    )
  })
}

/** The smallest leak the ideal observer tells in a record that has none, Pa m3/s of air at hard vacuum. */
function leastTellable(record: KnownRecord): number {
  let [low, high] = LEAK_RANGE_PA_M3_S as readonly [number, number]
  for (let i = 0; i < 10; i++) {
    const middle = Math.sqrt(low * high)
    if (idealObserver({ ...record, truth: { ...record.truth, leakPaM3S: middle } }).tellable) high = middle
    else low = middle
  }
  return high
}

/**
 * Needles tell large holes and long holds only: half of these cars have one, and they are held from an hour to a night.
 */
function needleFigures(seeds: readonly number[]): Figure[] {
  const minutes = [60, 240, 720]
  const all = seeds.map((seed) => {
    const leakPaM3S = seed % 2 === 0 ? 3e-4 * 10 ** ((seed % 20) / 20) : 0
    return scored(
      knownRecord(seed, { instrument: 'needle', minutes: minutes[seed % 3] as number, everyS: 0, leakPaM3S }),
    )
  })
  const valid = all.filter((e) => e.result.verdict !== 'invalid')
  const has = (e: Scored) => e.record.truth.leakPaM3S > 0
  const tellable = valid.filter((e) => has(e) && e.ideal.tellable)
  const gramsOf = (e: Scored) =>
    leakGramsPerYear(
      e.record.truth.leakPaM3S / (e.record.context.volumeL / 1000),
      e.record.context.volumeL,
      'R-134a',
      e.record.context.barometerPa,
    ).high
  const quiet = valid.filter((e) => !leaking(e))
  return [
    figure('needle: tellable leaks missed', percent(share(tellable, (e) => !leaking(e))), '%', tellable.length, {
      most: 8,
    }),
    figure(
      'needle: false leaks',
      percent(
        share(
          valid.filter((e) => !has(e)),
          leaking,
        ),
      ),
      '%',
      valid.filter((e) => !has(e)).length,
      { most: 0 },
    ),
    figure(
      'needle: the limit stated is honest',
      percent(share(quiet, (e) => gramsOf(e) <= (e.result.detectionLimitGramsPerYear?.high ?? 0))),
      '%',
      quiet.length,
      { least: 98 },
    ),
  ]
}

/** The rules of the schools on the same records; a rule that needs longer than a record lasts says nothing of it. */
function rulesOver(all: readonly Scored[]): RuleFigure[] {
  const said = all.map((e) => ({
    leaks: e.record.truth.leakPaM3S > 0,
    tellable: e.ideal.tellable,
    rules: rulesOn(e.record.samples, e.record.context),
  }))
  const names = said[0]?.rules.map((r) => r.rule) ?? []
  return names.map((rule, i) => {
    const heard = said.filter((s) => s.rules[i]?.says !== 'not yet')
    const leaks = heard.filter((s) => s.leaks && s.tellable)
    const clean = heard.filter((s) => !s.leaks)
    return {
      rule,
      judgedOf: percent(share(said, (s) => s.rules[i]?.says !== 'not yet')),
      leaksPassed: percent(share(leaks, (s) => s.rules[i]?.says === 'passes')),
      cleanFailed: percent(share(clean, (s) => s.rules[i]?.says === 'fails')),
    }
  })
}
