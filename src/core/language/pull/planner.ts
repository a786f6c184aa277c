import { type P, spoken } from '../spoken'

export const W = spoken({
  valveCores: 'valve cores',
  coreTools: 'core tools',
  hosesToTheCar: 'hoses to the car',
  highSideHose: 'high side hose',
  hoseToThePump: 'hose to the pump',
  coresOut: 'cores out',
  hosesOf12In: 'hoses of 1/2 in',
  aSecondHose: 'a second hose',
  warmTheBayByK: (warmerk: P) => `warm the bay by ${warmerk} K`,
  ballastOpen: 'ballast open',
  freshPumpOil: 'fresh pump oil',
})
