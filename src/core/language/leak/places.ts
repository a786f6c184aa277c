import { spoken } from '../spoken'

export const W = spoken({
  compressorShaftSeal: 'compressor, shaft seal',
  compressorBody: 'compressor, body',
  jointCompressorToHighHose: 'joint, compressor to high hose',
  highHose: 'high hose',
  highPortCoreAndCap: 'high port, core and cap',
  jointIntoTheCondenser: 'joint, into the condenser',
  jointOutOfTheCondenser: 'joint, out of the condenser',
  pressureSwitch: 'pressure switch',
  jointsOfTheDrier: 'joints of the drier',
  jointAtTheExpansionDevice: 'joint at the expansion device',
  expansionDevice: 'expansion device',
  jointOutOfTheEvaporator: 'joint, out of the evaporator',
  jointsToTheRear: 'joints to the rear',
  rearEvaporator: 'rear evaporator',
  lowPortCoreAndCap: 'low port, core and cap',
  lowHose: 'low hose',
  jointLowHoseToCompressor: 'joint, low hose to compressor',
  ourOwnHosesAndFittings: 'our own hoses and fittings',
})
