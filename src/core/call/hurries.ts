/** What an alarm is of: the first word of its id. */
export const alarmKind = (id: string): string => id.split(':')[0] ?? ''

/** Alarms a hand has to follow within seconds. */
const HURRY = ['pressure', 'past', 'runaway', 'scale-silent']
export const hurries = (id: string): boolean => HURRY.includes(alarmKind(id))
