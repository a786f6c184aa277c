import { spoken } from '../spoken'

export const W = spoken({
  suchAs0Psig45: 'such as 0 psig, 45 psi, 310 kPa or 12 inHg',
  useformsBelongsInsideFormsprovider: 'useForms belongs inside FormsProvider',
  somethingTypedIsUnlikelyLook: 'Something typed is unlikely; look once more, and press again to keep it.',
  somethingTypedCannotBeTaken: 'Something typed cannot be taken; the reason stands beside it.',
  theCompressorsSwitchWhereThe: 'The compressor’s switch, where the manual says',
  itsSwitchLetsItRun: 'Its switch lets it run from',
  runsFrom: 'Runs from',
  n29Psi: '29 psi',
  theLowPressureSwitchKeeps:
    'The low-pressure switch keeps the compressor off until so much is in. Known, the call says how many grams ' +
    'are missing. Bridging it is a last step of diagnosis, by the service manual, and goes into a note.',
  whatTheLabelAllowsFor: 'What the label allows for nitrogen',
  theLabelAllowsNitrogenUp: 'The label allows nitrogen up to',
  upTo: 'Up to',
  n150Psi: '150 psi',
  theLowestPressureTheLabel:
    'The lowest pressure the label or the manual allows on the low side. Known, no sweep and no test goes above ' +
    'it. Dry nitrogen only, through a regulator with a relief valve; never oxygen, never shop air.',
  keepIt: 'Keep it',
})
