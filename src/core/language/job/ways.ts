import { spoken } from '../spoken'

export const W = spoken({
  highSideStaysShutWhile: 'High side stays shut while the engine runs: the container would burst.',
  neverHeatItOver50: 'Never heat it over 50 °C (122 °F), no flame.',
  vapourLowSide: 'vapour, low side',
  containerUprightIntoTheVacuum:
    'Container upright. Into the vacuum with the engine off, then the low side only with the engine running.',
  containerUprightLiquidBreaksA: 'Container upright: liquid breaks a running compressor.',
  vapourFirstThroughBoth: 'vapour, first through both',
  containerUprightBothValvesFor:
    'Container upright, both valves for the first charge with the engine off. High valve shut before the engine ' +
    'starts; the rest by the low side.',
  highValveShutBeforeThe:
    'High valve shut before the engine starts: the compressor would fill the container until it bursts.',
  liquidHighSideEngineOff: 'liquid, high side, engine off',
  containerInvertedHighSideOnly:
    'Container inverted, high side only, system at rest and engine off to the last gram. Then it stands, and the ' +
    'compressor is turned by hand before it is started.',
  engineOffUntilTheLast: 'Engine off until the last gram is in and has boiled: never start against liquid.',
  liquidFreezesSkinAndBlinds: 'Liquid freezes skin and blinds: gloves, eye protection.',
})
