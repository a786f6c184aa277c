import { spoken } from '../spoken'

export const W = spoken({
  loudness: 'Loudness',
  howLoudAlarmsAreOn: 'How loud alarms are on this device',
  tapOneToHearIt: 'Tap one to hear it; once, where an engine runs.',
  quiet: 'quiet',
  usual: 'usual',
  loud: 'loud',
})
