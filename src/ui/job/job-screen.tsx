'use client'

import dynamic from 'next/dynamic'
import { useMemo, useState } from 'react'
import { callFor } from '@/core/call/call'
import { forecastNow, judgedNow, liveOf } from '@/core/call/live'
import type { WayOut } from '@/core/call/types'
import type { Lead } from '@/core/charge/closing'
import { clockFactor } from '@/core/job/clock'
import { foldJob } from '@/core/job/reduce'
import { searchNow } from '@/core/job/search'
import { type JobState, openContainer, shutIn } from '@/core/job/state'
import type { Learned } from '@/core/leak/search-view'
import { padChannels } from '@/core/readings/pad'
import type { JobView } from '@/core/views'
import { RangList } from '../alarms/rang-list'
import { useOwnCar } from '../alarms/use-own-car'
import { chargedDay } from '../format'
import { LineBar } from '../frame/line-bar'
import type { ShopView, UserView } from '../frame/who'
import { useAwake } from '../hooks/use-awake'
import { useChargeWatch } from '../hooks/use-charge-watch'
import { type LiveJob, useJobLive } from '../hooks/use-job-live'
import { useForecastHere, useJudgeHere } from '../hooks/use-judge-here'
import { useJobNow } from '../hooks/use-now'
import { usePlan } from '../hooks/use-plan'
import { usePullAdvice } from '../hooks/use-pull-advice'
import { useOutbox } from '../outbox/outbox'
import { withWaiting } from '../outbox/with-waiting'
import { useClock, useSay } from '../units'
import { ZoneProvider } from '../zone'
import { NodHere } from './charge/nod-here'
import { WarmEntry } from './charge/warm-entry'
import { FormsProvider, type StockContainer } from './forms/forms'
import { ToldPressure } from './forms/told-pressure'
import { AsideBar } from './frame/aside-bar'
import { BenchTroubleBar } from './frame/bench-trouble-bar'
import { CallPanel } from './frame/call-panel'
import { ConnectionDrawing } from './frame/connection-drawing'
import { InstrumentsBar } from './frame/instruments-bar'
import { mayTakeRig, RigTaken } from './frame/rig-taken'
import { Spine } from './frame/spine'
import { Trail } from './frame/trail'
import { type Colleague, WhoseCar } from './frame/whose-car'
import { Instrument, StepDetails } from './instrument/instrument'
import { chargeLive, nodLive, pressureLive, runningLive } from './live-parts'
import { NotesBar } from './notes/notes-bar'
import { TypeReading } from './readings/type-reading'
import { useDeeds } from './use-deeds'
import { hasOtherWays } from './ways/has-other-ways'

// what most visits never open comes once it is asked for; without a line it is kept on the device like every script
const BenchPanel = dynamic(() => import('./frame/bench-panel').then((m) => m.BenchPanel), { ssr: false })
const OtherWays = dynamic(() => import('./ways/other-ways').then((m) => m.OtherWays), { ssr: false })

type Props = {
  pumpDue: string | null
  lead: Lead
  learned: Learned
  stock: readonly StockContainer[]
  view: JobView
  shop: ShopView
  user: UserView
  maySign: boolean
  colleagues: readonly Colleague[]
  serverNowMs: number
}

/** A scale that is read by eye is not watched: its weights stand minutes apart. */
const NOTHING: LiveJob['scale'] = []

/** One car: spine, the step's own instrument, the connection, the trail, and the call at the side. */
export function JobScreen({
  pumpDue,
  lead,
  learned,
  stock,
  view,
  shop,
  user,
  maySign,
  colleagues,
  serverNowMs,
}: Props) {
  const { job: told, line, fromMs, take } = useJobLive(view)
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
  // without a line, what is typed here is judged here
  const alone = line.kind === 'away' || job !== told
  const judged = judgedNow(state, useJudgeHere(state, job, alone) ?? job.judged)
  const clock = useClock(shop.timeZone)
  const say = useSay(state.opened.place.barometerPa)
  const planned = usePlan(state)
  const forecast = forecastNow(state, useForecastHere(state, job, alone) ?? job.forecast)
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
    ...nodLive(user, state, colleagues),
    ...((state.step === 'prove' || state.step === 'charge') && runningLive(job, state, nowMs, say)),
  }
  useOwnCar(view.id, state, live, job.clock, job.ringing)
  useAwake(state.step === 'charge' && openContainer(state) !== undefined && !state.signed)
  const call = callFor(state, live)
  const deeds = useDeeds({
    jobId: view.id,
    state,
    seen: told.events.length,
    clock: job.clock,
    judged,
    vacuum: job.vacuum,
    take,
  })
  const searching = searchNow(state) !== undefined
  // a search reads what stands in the car: its vacuum, or nitrogen
  const reading = searching && (state.search?.nitrogen !== undefined || shutIn(state))
  const running = state.step === 'prove' && state.rig.engine === 'on'
  const typed = !state.signed && (running || reading || ['pull', 'isolate', 'hold', 'charge'].includes(state.step))
  const [trailOpen, setTrailOpen] = useState(false)
  const [way, setWay] = useState<WayOut | null>(null)
  const connected = ['rig', 'pull', 'isolate', 'hold', 'charge', 'prove', ...(searching ? ['fix'] : [])].includes(
    state.step,
  )
  return (
    <ZoneProvider timeZone={shop.timeZone}>
      <FormsProvider stock={stock} state={state} live={live} call={call} user={user}>
        <Spine state={state} clock={clock} nowMs={nowMs} factor={clockFactor(job.clock)} />
        <WhoseCar
          state={state}
          last={job.events.at(-1)}
          here={job.here}
          user={user}
          colleagues={colleagues}
          nowMs={nowMs}
          deeds={deeds}
        />
        <LineBar line={line} fromMs={fromMs} clock={clock} />
        <AsideBar events={job.events} state={state} deeds={deeds} clock={clock} />
        <BenchTroubleBar trouble={state.signed ? null : job.benchTrouble} />
        <main className="grid grid-cols-[minmax(0,1fr)_344px] max-lg:grid-cols-1 max-sm:pb-44">
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
            {mayTakeRig(state) && <RigTaken jobId={view.id} state={state} deeds={deeds} clock={clock} />}
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
            {live.nod === 'asks' && (state.plan || state.counted) && !state.nodded && state.step === 'charge' && (
              <NodHere jobId={view.id} take={take} />
            )}
            <NotesBar jobId={view.id} state={state} deeds={deeds} take={take} clock={clock} segments={job.clock} />
            <RangList rung={job.rung} state={state} nowMs={nowMs} clock={clock} />
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
          {way && <OtherWays at={way} onClose={() => setWay(null)} state={state} live={live} deeds={deeds} />}
        </main>
      </FormsProvider>
    </ZoneProvider>
  )
}

/**
 * Whether the step's own channel is read by hand: no instrument ever sent it. A scale is read once something is on
 * it.
 */
function byHand({ latest }: LiveJob, state: JobState): boolean {
  if (state.step === 'charge' && !openContainer(state)) return false
  // a test wants the gas's temperature too, which few instruments report
  if (state.search?.nitrogen) return [latest.low, latest.engine_bay].some((l) => !l || l.instrument === 'hand')
  const newest = latest[padChannels(state.step)[0]]
  // the bench's car tells its vent by itself once the air blows
  if (state.step === 'prove' && !newest) return !state.opened.simulated
  return newest === undefined || newest.instrument === 'hand'
}
