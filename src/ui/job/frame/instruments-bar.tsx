'use client'

import { useQuery } from '@tanstack/react-query'
import type { InstrumentKind, Seat } from '@/core/job/instrument-kinds'
import type { JobState } from '@/core/job/state'
import type { Step } from '@/core/job/steps'
import { W } from '@/core/language/screen/job-frame'
import { type Instrument, KIND_WORDS, SEAT_WORDS } from '@/core/shop/instruments'
import { Fold } from '../../form/fold'
import { lastWords } from '../../shop/instrument-words'
import type { Deeds } from '../use-deeds'

type Props = { jobId: string; state: JobState; deeds: Deeds }

/** What a step reads first: where such an instrument is free and none hangs here, it is offered by itself. */
const WANTED: Partial<Record<Step, readonly InstrumentKind[]>> = {
  rig: ['vacuum'],
  pull: ['vacuum'],
  hold: ['vacuum'],
  charge: ['scale'],
  prove: ['low', 'high'],
}

/** How often what the instruments last said is asked for, ms. */
const AGAIN_MS = 5000

/** The shop's instruments at this car: what hangs on it, and what may be hung on, swapped or moved with one tap. */
export function InstrumentsBar({ jobId, state, deeds }: Props) {
  const { data } = useQuery({
    queryKey: ['instruments', state.hung.map((h) => h.instrument).join()],
    queryFn: async () => {
      const answer = await fetch('/api/instruments')
      return answer.ok ? ((await answer.json()) as { instruments: Instrument[] }).instruments : []
    },
    refetchInterval: AGAIN_MS,
    placeholderData: (before) => before,
  })
  // one that was withdrawn while it hangs here can still be taken off
  const usable = (data ?? []).filter((i) => !i.withdrawn || state.hung.some((h) => h.instrument === i.id))
  if (usable.length === 0) return null
  const here = usable.filter((i) => state.hung.some((h) => h.instrument === i.id))
  const rest = usable.filter((i) => !here.includes(i))
  const kinds = WANTED[state.step] ?? []
  const wanted = !here.some((i) => kinds.includes(i.kind)) && rest.some((i) => kinds.includes(i.kind) && !i.on)
  return (
    <Fold
      title={
        <>
          {W.instruments}{' '}
          <span className="font-normal text-ink-2">
            {here.length === 0 ? W.noneHangsOnThisCar : here.map((i) => i.name).join(', ')}
          </span>
        </>
      }
      className="mt-3 border-t border-rule"
      first={!state.opened.simulated && wanted}
    >
      <ul className="pb-2">
        {here.map((i) => (
          <li key={i.id} className="flex flex-wrap items-center gap-x-4 border-b border-rule py-1.5 text-body">
            <span className="min-w-48 flex-1">
              <b className="font-semibold">{i.name}</b>{' '}
              {i.kind === 'vacuum' ? SEAT_WORDS[seatHere(state, i.id)] : KIND_WORDS[i.kind]}, {lastWords(i)}
            </span>
            <button
              type="button"
              className="plain-button text-small"
              disabled={deeds.busy}
              onClick={() => void deeds.request('instruments', { instrument: i.id, off: true })}
            >
              {W.takeOff(i.name)}
            </button>
          </li>
        ))}
        {rest.map((i) => (
          <Offer key={i.id} instrument={i} state={state} deeds={deeds} jobId={jobId} here={here} />
        ))}
      </ul>
    </Fold>
  )
}

const seatHere = (state: JobState, id: string): Seat => state.hung.find((h) => h.instrument === id)?.seat ?? 'far'

type OfferProps = Props & { instrument: Instrument; here: readonly Instrument[] }

/** One that could hang here: alone, instead of one of its kind, or taken from the car it is on. */
function Offer({ instrument, state, deeds, here }: OfferProps) {
  const { id, name, kind, on } = instrument
  const hang = (seat: Seat, instead?: Instrument) =>
    void deeds.request('instruments', {
      instrument: id,
      seat,
      ...(instead && { instead: instead.id }),
      ...(on && { move: true }),
    })
  const seats: readonly Seat[] = kind === 'vacuum' ? ['far', 'pump'] : ['far']
  return (
    <li className="flex flex-wrap items-center gap-x-3 gap-y-1.5 border-b border-rule py-1.5 text-body">
      <span className="min-w-48 flex-1">
        {name} <span className="text-ink-2">{on ? W.hangsOn(on.car) : lastWords(instrument)}</span>
      </span>
      {seats.map((seat) => {
        const instead = here.find((h) => h.kind === kind && (kind !== 'vacuum' || seatHere(state, h.id) === seat))
        const where = kind === 'vacuum' ? ` ${SEAT_WORDS[seat]}` : ''
        return (
          <button
            key={seat}
            type="button"
            className="plain-button text-small"
            disabled={deeds.busy}
            onClick={() => hang(seat, instead)}
          >
            {instead ? W.insteadOf(instead.name) : on ? W.moveItHere(where) : W.hangItOn(where)}
          </button>
        )
      })}
    </li>
  )
}
