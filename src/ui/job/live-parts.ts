import type { Live } from '@/core/call/types'
import type { JobState } from '@/core/job/state'
import { judgePressureTest } from '@/core/leak/pressure-test'
import { pressureTestOf } from '@/core/leak/pressure-test-of-job'
import { cyclingOf, runningWords, ventTrend } from '@/core/prove/trend'
import type { Say } from '@/core/units/say'
import type { UserView } from '../frame/who'
import type { ChargeWatch } from '../hooks/use-charge-watch'
import type { LiveJob } from '../hooks/use-job-live'
import type { Colleague } from './frame/whose-car'
import { runningSince } from './prove/running-trace'

/** How the air conditioner runs, from both sides and the vent since its engine went on. */
export function runningLive({ sides }: LiveJob, state: JobState, nowMs: number, say: Say): Partial<Live> {
  if (state.rig.engine !== 'on') return {}
  const fromMs = runningSince(state, nowMs)
  const cycling = cyclingOf(sides.low.filter((p) => p.at >= fromMs))
  return {
    running: runningWords(
      ventTrend(sides.vent.filter((p) => p.at >= fromMs)),
      cycling,
      state.opened.place.barometerPa,
      say,
    ),
    cycling: cycling !== null,
  }
}

/** What the pressure test says by now, while nitrogen is in. */
export function pressureLive(state: JobState, { sides, warmth }: LiveJob): Partial<Live> {
  const test = pressureTestOf(state, sides.low, warmth)
  return test ? { pressureTest: judgePressureTest(test) } : {}
}

/** What the watched scale adds to what is live. */
export function chargeLive({ scaleG, notes, closing, said }: ChargeWatch): Partial<Live> {
  return {
    scaleG,
    ...(notes.length > 0 && { scaleNotes: notes.map((n) => n.words) }),
    ...(closing && { closing }),
    ...(said && { said }),
  }
}

/** Whether whoever looks asks for a nod before the charge, or may give one: the car is a trainee's. */
export function nodLive(
  { role, trainee }: Pick<UserView, 'role' | 'trainee'>,
  { whose }: JobState,
  colleagues: readonly Colleague[],
): Partial<Live> {
  if (role === 'trainee') return trainee?.chargeAlone ? {} : { nod: 'asks' }
  return colleagues.find((c) => c.name === whose.name)?.role === 'trainee' ? { nod: 'gives' } : {}
}
