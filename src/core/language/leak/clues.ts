import { type P, spoken } from '../spoken'

export const W = spoken({
  butOurOwnHosesMay: ', but our own hoses may',
  itLeakedWithTheCouplers: (p1: P) => `It leaked with the couplers on: no core leaks there${p1}.`,
  itHeldWithTheCouplers:
    'It held with the couplers on and yet it lost: a core under its coupler, or a seal that opens under pressure only.',
  itRoseFastAFitting: 'It rose fast: a fitting of our own, a hose or a joint rather than a seal that seeps.',
  itCreptASealOr: 'It crept: a seal or a pore rather than a hose or a joint.',
  itCameInEmptyIts: 'It came in empty: its own leak, not our hoses.',
  aHybridItsCompressorIs: 'A hybrid: its compressor is electric and has no shaft seal.',
  itWentFastAStone: 'It went fast: a stone, a chafed hose or a joint rather than a seal that seeps.',
  itWentSlowlySealsAnd: 'It went slowly: seals and cores rather than a hole.',
  whatWasRenewedTodayIs: 'What was renewed today is likely sound; the seals beside it were disturbed.',
  yearsOldRubberSealsAnd: (ageYears: P) => `${ageYears} years old: rubber, seals and fins have aged.`,
  thisCarLeakedBeforeOn: (when: P, p2: P) => `This car leaked before, on ${when}: ${p2}.`,
})
