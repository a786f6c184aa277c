'use client'

import { useMemo, useState } from 'react'
import { alarmsOf } from '@/core/call/alarms'
import { callFor } from '@/core/call/call'
import type { Live, WayOut } from '@/core/call/types'
import type { Lead } from '@/core/charge/closing'
import { handFlowOf } from '@/core/charge/hand-flow-of-job'
import { clockFactor } from '@/core/job/clock'
import { foldJob } from '@/core/job/reduce'
import { searchNow } from '@/core/job/search'
import { currentHold, gaugesApart, type JobState, openContainer, shutIn } from '@/core/job/state'
import { judgePressureTest } from '@/core/leak/pressure-test'
import { pressureTestOf } from '@/core/leak/pressure-test-of-job'
import type { Learned } from '@/core/leak/search-view'
import { cyclingOf, runningWords, ventTrend } from '@/core/prove/trend'
import type { PullForecast } from '@/core/pull/forecast'
import { PUMP_CHANNEL } from '@/core/shop/instruments'
import type { Say } from '@/core/units/say'
import { recentSlope } from '@/core/units/slope'
import type { JobView } from '@/core/views'
import { chargedDay } from '../format'
import { LineBar } from '../frame/line-bar'
import type { ShopView, UserView } from '../frame/who'
import { useAwake } from '../hooks/use-awake'
import { type ChargeWatch, useChargeWatch } from '../hooks/use-charge-watch'
import { type LiveJob, useJobLive } from '../hooks/use-job-live'
import { useJobNow } from '../hooks/use-now'
import { usePlan } from '../hooks/use-plan'
import { usePullAdvice } from '../hooks/use-pull-advice'
import { useOutbox } from '../outbox/outbox'
import { withWaiting } from '../outbox/with-waiting'
import { useClock, useSay } from '../units'
import { ZoneProvider } from '../zone'
import { WarmEntry } from './charge/warm-entry'
import { FormsProvider, type StockContainer } from './forms/forms'
import { ToldPressure } from './forms/told-pressure'
import { AlarmBar } from './frame/alarm-bar'
import { AsideBar } from './frame/aside-bar'
import { BenchPanel } from './frame/bench-panel'
import { BenchTroubleBar } from './frame/bench-trouble-bar'
import { CallPanel } from './frame/call-panel'
import { ConnectionDrawing } from './frame/connection-drawing'
import { InstrumentsBar } from './frame/instruments-bar'
import { Spine } from './frame/spine'
import { Trail } from './frame/trail'
import { Instrument, StepDetails } from './instrument/instrument'
import { NotesBar } from './notes/notes-bar'
import { runningSince } from './prove/running-trace'
import { TypeReading } from './readings/type-reading'
import { useDeeds } from './use-deeds'
import { hasOtherWays, OtherWays } from './ways/other-ways'

type Props = {
  pumpDue: string | null
  lead: Lead
  learned: Learned
  stock: readonly StockContainer[]
  view: JobView
  shop: ShopView
  user: UserView
  maySign: boolean
  serverNowMs: number
}

/** A scale that is read by eye is not watched: its weights stand minutes apart. */
const NOTHING: LiveJob['scale'] = []

/** One car: spine, the step's own instrument, the connection, the trail, and the call at the side. */
export function JobScreen({ pumpDue, lead, learned, stock, view, shop, user, maySign, serverNowMs }: Props) {
  const { job: told, line, take } = useJobLive(view)
  const { kept } = useOutbox()
  const job = useMemo(
    () =>
      withWaiting(
        told,
        kept.filter((k) => k.jobId === view.id),
      ),
    [told, kept, view.id],
  )
  const nowMs = useJobNow(job.clock, serverNowMs)
  const state = useMemo(() => foldJob(job.events), [job.events])
  const judged = judgedNow(state, job.judged)
  const clock = useClock(shop.timeZone)
  const say = useSay(state.opened.place.barometerPa)
  const planned = usePlan(state)
  const forecast = forecastNow(state, job.forecast)
  const pull = usePullAdvice(state, job.vacuum, planned?.plan, forecast, say)
  const charging = useChargeWatch(
    state,
    job.latest.scale?.instrument === 'hand' ? NOTHING : job.scale,
    clockFactor(job.clock),
    lead,
  )
  const live = {
    ...liveOf(job, state, nowMs, { clock, say }, judged?.result),
    ...(pull && { pull }),
    ...(forecast && { forecast }),
    ...(charging && chargeLive(charging)),
    learned,
    ...pressureLive(state, job),
    ...((state.step === 'prove' || state.step === 'charge') && runningLive(job, state, nowMs, say)),
  }
  useAwake(state.step === 'charge' && openContainer(state) !== undefined && !state.signed)
  const call = callFor(state, live)
  const deeds = useDeeds({ jobId: view.id, state, seen: told.events.length, clock: job.clock, take })
  const searching = searchNow(state) !== undefined
  // a search reads what stands in the car: its vacuum, or nitrogen
  const reading = searching && (state.search?.nitrogen !== undefined || shutIn(state))
  const typed = !state.signed && ['pull', 'isolate', 'hold', 'charge', ...(reading ? ['fix'] : [])].includes(state.step)
  const [trailOpen, setTrailOpen] = useState(false)
  const [way, setWay] = useState<WayOut | null>(null)
  const connected = ['rig', 'pull', 'isolate', 'hold', 'charge', 'prove', ...(searching ? ['fix'] : [])].includes(
    state.step,
  )
  return (
    <ZoneProvider timeZone={shop.timeZone}>
      <FormsProvider stock={stock} state={state} live={live} call={call} user={user}>
        <Spine state={state} clock={clock} nowMs={nowMs} factor={clockFactor(job.clock)} />
        <LineBar line={line} clock={clock} />
        <AlarmBar alarms={alarmsOf(state, live, clockFactor(job.clock))} deeds={deeds} />
        <AsideBar state={state} deeds={deeds} clock={clock} />
        <BenchTroubleBar trouble={state.signed ? null : job.benchTrouble} />
        <main className="grid grid-cols-[minmax(0,1fr)_344px] max-lg:grid-cols-1">
          <div className="min-w-0 px-5 pb-4 max-lg:contents max-lg:[&>*]:mx-5 max-lg:[&>*]:min-w-0 max-sm:[&>*]:mx-4">
            <Instrument
              onSale={shop.onSale}
              leave={{
                jobId: view.id,
                shop: shop.name,
                day: chargedDay(state, shop.timeZone),
                by: user.name,
                certificate: user.certificate,
                pumpDue,
              }}
              state={state}
              live={live}
              job={job}
              clock={clock}
              deeds={deeds}
              planned={planned}
            />
            {typed && byHand(job, state) && (
              <TypeReading jobId={view.id} state={state} latest={job.latest} pad nowMs={nowMs} clock={clock} />
            )}
            <StepDetails
              state={state}
              live={live}
              job={job}
              clock={clock}
              deeds={deeds}
              planned={planned}
              rules={judged?.rules}
            />
            {connected && !state.signed && <InstrumentsBar jobId={view.id} state={state} deeds={deeds} />}
            {connected && <ConnectionDrawing state={state} live={live} call={call} deeds={deeds} />}
            {state.step === 'charge' && openContainer(state) && (
              <>
                <WarmEntry state={state} deeds={deeds} />
                <ToldPressure what="switchPaG" state={state} deeds={deeds} />
              </>
            )}
            {state.step === 'pull' && state.stages.some((s) => s.kind === 'sweep') && (
              <ToldPressure what="nitrogenLimitPaG" state={state} deeds={deeds} />
            )}
            <NotesBar jobId={view.id} state={state} deeds={deeds} take={take} clock={clock} />
            <Trail job={job} jobId={view.id} clock={clock} open={trailOpen} onOpenChange={setTrailOpen} />
            {typed && !byHand(job, state) && (
              <TypeReading jobId={view.id} state={state} latest={job.latest} nowMs={nowMs} clock={clock} />
            )}
            {view.simulated && shop.demo && !state.signed && (
              <BenchPanel
                jobId={view.id}
                running={state.benchRunning}
                factor={clockFactor(job.clock)}
                open={job.benchTrouble !== null}
              />
            )}
          </div>
          <CallPanel
            call={call}
            deeds={deeds}
            jobId={view.id}
            maySign={maySign}
            onTrail={() => setTrailOpen(true)}
            onWay={hasOtherWays(state) ? setWay : undefined}
          />
          <OtherWays at={way} onClose={() => setWay(null)} state={state} live={live} deeds={deeds} />
        </main>
      </FormsProvider>
    </ZoneProvider>
  )
}

/** Whether the scale is read by eye: what was weighed last was typed, or no scale is there that could report. */
const scaleByHand = ({ opened, hung }: JobState, instrument: string | undefined): boolean =>
  instrument === undefined ? !opened.simulated && !hung.some((h) => h.kind === 'scale') : instrument === 'hand'

/** Whether the step's own channel is read by hand: no instrument ever sent it. A scale is read once something is on it. */
function byHand({ latest }: LiveJob, state: JobState): boolean {
  if (state.step === 'charge' && !openContainer(state)) return false
  // a test wants the gas's temperature too, which few instruments report
  if (state.search?.nitrogen) return [latest.low, latest.engine_bay].some((l) => !l || l.instrument === 'hand')
  const newest = state.step === 'charge' ? latest.scale : latest.vacuum
  return newest === undefined || newest.instrument === 'hand'
}

/** What was said of the end of the pull that runs now. */
const forecastNow = (state: JobState, forecast: JobView['forecast']): PullForecast | undefined =>
  forecast && state.step === 'pull' && forecast.pull === state.pulls.length - 1 ? forecast : undefined

/** The judgement of the hold that runs now; one of an earlier hold says nothing of it. */
function judgedNow(state: JobState, judged: JobView['judged']): JobView['judged'] {
  const running = state.step === 'hold' && currentHold(state)?.ended === undefined
  return running && judged?.hold === state.holds.length - 1 ? judged : null
}

/** How the air conditioner runs, from both sides and the vent since its engine went on. */
function runningLive({ sides }: LiveJob, state: JobState, nowMs: number, say: Say): Partial<Live> {
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
function pressureLive(state: JobState, { sides, warmth }: LiveJob): Partial<Live> {
  const test = pressureTestOf(state, sides.low, warmth)
  return test ? { pressureTest: judgePressureTest(test) } : {}
}

/** What the watched scale adds to what is live. */
function chargeLive({ scaleG, notes, closing, said }: ChargeWatch): Partial<Live> {
  return {
    scaleG,
    ...(notes.length > 0 && { scaleNotes: notes.map((n) => n.words) }),
    ...(closing && { closing }),
    ...(said && { said }),
  }
}

function liveOf(
  job: LiveJob,
  state: JobState,
  nowMs: number,
  reader: { clock: Live['clock']; say: Say },
  judgement: Live['judgement'],
): Live {
  const { vacuum, low, high, vent, barometer, [PUMP_CHANNEL]: pump } = job.latest
  // what the scale showed before this container stood on it is another container's weight
  const since = openContainer(state)?.startedAt ?? ''
  const scale = job.latest.scale && job.latest.scale.at >= since ? job.latest.scale : undefined
  const fall = recentSlope(job.vacuum, 120_000)
  const weighed = scaleByHand(state, scale?.instrument)
  const hand = weighed ? handFlowOf(state, job.scale) : null
  const flow = recentSlope(
    job.scale.slice(-400).filter((p) => p.at >= Date.parse(since || '1970-01-01')),
    60_000,
  )
  return {
    nowMs,
    factor: clockFactor(job.clock),
    ...reader,
    ...(vacuum && {
      vacuumPa: vacuum.value,
      vacuumAtMs: Date.parse(vacuum.at),
      ...(vacuum.backS !== undefined && { gaugeBackS: vacuum.backS }),
      vacuumByHand: vacuum.instrument === 'hand',
      vacuumUnit: vacuum.sentUnit,
    }),
    ...(pump && vacuum && gaugesApart(state).length > 0 && { pumpPa: pump.value }),
    ...(low && { lowPa: low.value }),
    ...(high && { highPa: high.value }),
    ...(barometer && { airAtMs: Date.parse(barometer.at) }),
    scaleByHand: weighed,
    ...(scale && { scaleG: scale.value, scaleAtMs: Date.parse(scale.at) }),
    ...(hand && { handFlow: hand }),
    ...(vent && { ventC: vent.value }),
    ...(fall !== undefined && { fallPaS: fall }),
    ...(flow !== undefined && { flowGMin: Math.max(0, -flow * 60) }),
    ...(judgement && { judgement }),
  }
}
