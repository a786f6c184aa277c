import { spoken } from './spoken'

export const W = spoken({
  oneDayOfTheWeek: 'one day of the week at least',
  endsWhenItBegins: 'ends when it begins',
  aTimeOfTheDay: 'a time of the day, such as 07:30',
})
