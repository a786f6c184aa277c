import { spoken } from '../spoken'

export const W = spoken({
  lowValve: 'low valve',
  highValve: 'high valve',
  lowCoupler: 'low coupler',
  highCoupler: 'high coupler',
  centreHose: 'centre hose',
  exhaustCap: 'exhaust cap',
  gasBallast: 'gas ballast',
  containerValve: 'container valve',
  valveCores: 'valve cores',
  gaugesValve: 'gauge’s valve',
  chargingLine: 'charging line',
  thisPartHasNoSuch: 'this part has no such state',
  pump: 'pump',
  container: 'container',
  engine: 'engine',
})
