import pg from 'pg'
import { environment } from '../environment'
import { hub } from '../live/hub'
import { log } from '../log'
import { AlarmWatch } from './watch-alarms'
import { BookWatch } from './watch-book'
import { DayWatch } from './watch-day'
import { HoldWatch } from './watch-holds'
import { PullWatch } from './watch-pulls'

/** Time between two looks at all running holds or pulls, ms; one hold is judged no oftener than that. */
const ROUND_MS = 1000
/** Time between two looks at what wants a person, ms. */
const ALARM_ROUND_MS = 250
/** Time between two looks at whether a day is to be planned anew, ms. */
const DAY_ROUND_MS = 500
/** Another server watches: it is looked after so often, ms. */
const TAKE_OVER_MS = 5000
const WATCHER = 460003

/** Watches holds and pulls for ever: as the one that holds the lock, or waiting to take over. */
export async function watch(): Promise<never> {
  for (;;) {
    await watchWhileFirst().catch((error: Error) =>
      log.warn({ err: error }, 'the watch was interrupted, taken up again'),
    )
    await new Promise((done) => setTimeout(done, TAKE_OVER_MS))
  }
}

/** Takes the watcher's lock, if it is free, and watches until its connection is lost. */
async function watchWhileFirst(): Promise<void> {
  const client = new pg.Client({
    connectionString: environment().DATABASE_URL,
    application_name: 'yperos watch',
    connectionTimeoutMillis: TAKE_OVER_MS,
  })
  let lost = false
  client.on('error', () => {
    lost = true
  })
  client.on('end', () => {
    lost = true
  })
  await client.connect()
  try {
    const { rows } = await client.query<{ first: boolean }>('select pg_try_advisory_lock($1) as first', [WATCHER])
    if (!rows[0]?.first) return
    const rounds = async (watched: { round: () => Promise<number> }, everyMs: number) => {
      try {
        while (!lost) {
          await watched.round()
          await new Promise((done) => setTimeout(done, everyMs))
        }
      } finally {
        // one that cannot go on takes the other along: both are taken up again together
        lost = true
      }
    }
    // beside each other: a forecast takes seconds, and no hold waits for it
    const alarms = new AlarmWatch()
    const days = new DayWatch(() => alarms.cars)
    const unheard = hub().subscribe((change) => {
      alarms.tell(change)
      days.tell(change)
    })
    try {
      await Promise.all([
        rounds(new HoldWatch(), ROUND_MS),
        rounds(new PullWatch(), ROUND_MS),
        rounds(alarms, ALARM_ROUND_MS),
        rounds(days, DAY_ROUND_MS),
        rounds(new BookWatch(), ROUND_MS),
      ])
    } finally {
      unheard()
    }
  } finally {
    await client.end().catch(() => undefined)
  }
}
