'use client'

import dynamic from 'next/dynamic'
import Link from 'next/link'
import { lossesOf, nextShort, rateOf } from '@/core/book/car-loss'
import type { CarVisit } from '@/core/book/car-visit'
import { holdsOf, holdsSay } from '@/core/book/holds-over-years'
import type { KnownCar } from '@/core/book/known-car'
import type { LeakPlace } from '@/core/job/leak'
import { W } from '@/core/language/screen/book'
import { PLACES } from '@/core/leak/places'
import { holdAtWords, holdsWords, holdWords, rateWords, shortWords } from '@/core/words/book-words'
import { RENEWED_WORDS } from '@/core/words/renewed'
import { Fold } from '../form/fold'
import { Sign } from '../form/sign'
import { dayIn } from '../format'
import { useSay } from '../units'
import { CarForm } from './car-form'
import { chargePoints, showsYears } from './charge-points'

const DepthYears = dynamic(() => import('./depth-years'), { ssr: false, loading: () => <div className="h-[170px]" /> })
const HoldYears = dynamic(() => import('./hold-years'), { ssr: false, loading: () => <div className="h-[200px]" /> })

// the chart library comes when there is something to draw with it
const ChargeYears = dynamic(() => import('./charge-years'), {
  ssr: false,
  loading: () => <div className="h-[230px]" />,
})

type Props = {
  car: KnownCar
  visits: readonly CarVisit[]
  /** where the newest photograph of its label is; null where none was taken */
  labelPhoto: string | null
  timeZone: string
  nowMs: number
}

/**
 * A car's memory: what it was charged and what it brought, how fast it loses, when it is short again, and every
 * visit.
 */
export function CarPage({ car, visits, labelPhoto, timeZone, nowMs }: Props) {
  const say = useSay()
  const day = dayIn(timeZone)
  const date = (iso: string) => day(Date.parse(iso))
  const month = (ms: number) =>
    new Intl.DateTimeFormat('en-GB', { month: 'long', year: 'numeric', timeZone }).format(new Date(ms))
  const losses = lossesOf(visits)
  const rate = rateOf(losses)
  const short = nextShort(visits, rate)
  const points = chargePoints(visits)
  const holds = holdsOf(visits)
  const depths = visits.flatMap((v) => (v.deepest ? [{ at: Date.parse(v.at), ...v.deepest }] : []))
  const newest = [...visits].reverse()
  const remarks = newest.find((v) => v.notes.length > 0)
  return (
    <main className="grid grid-cols-[minmax(0,1fr)_344px] gap-x-10 px-5 py-4 max-lg:grid-cols-1 max-sm:px-4">
      <div className="min-w-0">
        <h1 className="text-title font-semibold leading-tight">{car.name}</h1>
        <p className="text-body text-ink-2">
          {[
            car.plate,
            car.facts.vin,
            car.facts.owner,
            car.model,
            W.label(car.label.refrigerant, car.label.typed),
            car.facts.measuredL === null ? W.freeVolumeL(car.volumeL) : W.freeVolumeLMeasured(car.facts.measuredL),
          ]
            .filter((part) => part !== '')
            .join(' · ')}
        </p>
        <section aria-label={W.chargeOverTheYears} className="mt-4 border-t border-rule pt-2">
          <h2 className="text-row font-semibold">{W.chargeOverTheYears}</h2>
          {showsYears(points) ? (
            <div
              role="img"
              aria-label={points.map((p) => `${date(new Date(p.at).toISOString())}: ${say.mass(p.value)}`).join('; ')}
            >
              <ChargeYears points={points} labelG={car.label.lowG} short={short} nowMs={nowMs} day={day} />
            </div>
          ) : (
            <p className="py-3 text-body">{W.oneVisitDrawsNoLine}</p>
          )}
        </section>
        {depths.length > 0 && (
          <section aria-label={W.depthOverTheYears} className="mt-4">
            <h2 className="text-row font-semibold">{W.depthOverTheYears}</h2>
            <p className="text-body">
              {W.pulledToAtTheWhose(
                say.vacuum(depths.at(-1)?.pa ?? 0),
                depths.length === 1 ? W.oneVisit : W.lastOfVisits(depths.length),
              )}
            </p>
            <div role="img" aria-label={depths.map((d) => `${day(d.at)}: ${say.vacuum(d.pa)}`).join('; ')}>
              <DepthYears points={depths} day={day} />
            </div>
            <Fold title={W.theSameAsATable}>
              <table className="w-full text-body">
                <caption className="sr-only">{W.depthOverTheYears}</caption>
                <tbody>
                  {depths.map((d) => (
                    <tr key={d.at} className="border-b border-rule">
                      <td className="whitespace-nowrap py-1 pr-4">{day(d.at)}</td>
                      <td>
                        {say.vacuum(d.pa)}
                        {d.byNeedle && W.byANeedle}
                      </td>
                    </tr>
                  ))}
                </tbody>
              </table>
            </Fold>
          </section>
        )}
        {losses.length > 0 && (
          <table className="mt-3 w-full text-body">
            <caption className="text-left text-row font-semibold">{W.whatItLostBetween}</caption>
            <thead>
              <tr className="border-b border-rule text-left text-small text-ink-2">
                <th className="font-normal max-sm:hidden">{W.from}</th>
                <th className="font-normal">{W.to}</th>
                <th className="text-right font-normal">{W.lost}</th>
                <th className="text-right font-normal">{W.aYear}</th>
                <th className="text-right font-normal">{W.n95Of100LieBetween}</th>
              </tr>
            </thead>
            <tbody>
              {losses.map((l) => (
                <tr key={l.fromAt} className="border-b border-rule">
                  <td className="whitespace-nowrap py-1 max-sm:hidden">{date(l.fromAt)}</td>
                  <td className="whitespace-nowrap py-1">{date(l.toAt)}</td>
                  <td className="text-right">{say.mass(l.gramsLost)}</td>
                  <td className="text-right">{say.mass(l.gramsPerYear.value)}</td>
                  <td className="text-right">{W.to4(say.mass(l.gramsPerYear.low), say.mass(l.gramsPerYear.high))}</td>
                </tr>
              ))}
            </tbody>
          </table>
        )}
        {holds.some((h) => h.leakG !== null || h.limitG !== null) && (
          <section aria-label={W.holdsOverTheYears} className="mt-5">
            <h2 className="text-row font-semibold">{W.holdsOverTheYears}</h2>
            <p className="text-body">{holdsWords(holdsSay(holds))}</p>
            <div role="img" aria-label={holds.map((h) => `${day(h.atMs)}: ${holdAtWords(h)}`).join('; ')}>
              <HoldYears holds={holds} day={day} labelG={car.label.lowG} />
            </div>
            <Fold title={W.theSameAsATable}>
              <table className="w-full text-body">
                <caption className="sr-only">{W.holdsOverTheYears}</caption>
                <tbody>
                  {holds.map((h) => (
                    <tr key={`${h.jobId} ${h.atMs}`} className="border-b border-rule">
                      <td className="whitespace-nowrap py-1 pr-4">{day(h.atMs)}</td>
                      <td className="whitespace-nowrap pr-4 text-right">{heldWords(h.heldS) || W.notSaid}</td>
                      <td>{holdAtWords(h)}</td>
                    </tr>
                  ))}
                </tbody>
              </table>
            </Fold>
            <p className="text-note text-ink-2">{W.inGramsAYearWorst}</p>
          </section>
        )}
        <section aria-label={W.visits} className="mt-5">
          <h2 className="text-row font-semibold">{W.visitsTheNewestFirst}</h2>
          {newest.length === 0 && <p className="py-3 text-body">{W.nothingButTrainingWasDone}</p>}
          <ul className="border-t-2 border-ink">
            {newest.map((v) => (
              <li key={v.jobId} className="border-b border-rule py-2">
                <Link
                  href={v.ended === 'former' ? `/cars/${car.id}` : `/job/${v.jobId}`}
                  className="inline-flex min-h-11 items-center text-lead font-semibold hover:underline"
                >
                  {date(v.at)}, {v.procedure}
                  {(v.ended === 'open' || v.ended === 'closed') && (
                    <span className="pl-2 font-normal text-ink-2">{v.ended === 'open' ? W.open : W.endedEarly}</span>
                  )}
                </Link>
                <p className="text-body">
                  {[
                    v.recoveredG === null ? '' : W.recovered(say.mass(v.recoveredG)),
                    v.charged
                      ? W.charged(say.mass(v.charged.grams), v.charged.counted ? W.byCounting : '')
                      : W.notCharged,
                    v.deepest ? W.pulledTo(say.vacuum(v.deepest.pa)) : '',
                    ...v.holds.map(
                      (h) => `${['hold', heldWords(h.heldS)].filter(Boolean).join(' of ')}: ${holdWords(h)}`,
                    ),
                    ...v.mended.map((place) => W.leakMendedAtThe(PLACES[place as LeakPlace]?.name ?? place)),
                    ...v.renewed.map((r) => W.renewed(RENEWED_WORDS[r.what].toLowerCase(), r.count)),
                  ]
                    .filter((part) => part !== '')
                    .join(' · ')}
                </p>
                {v.notes.map((note) => (
                  <p key={note} className="text-body text-ink-2">
                    {note}
                  </p>
                ))}
              </li>
            ))}
          </ul>
        </section>
      </div>
      <aside aria-label={W.whatItComesTo} className="max-lg:mt-5">
        <h2 className="text-call font-semibold leading-[1.1]">{rateWords(rate)}</h2>
        <p className="mt-3 text-lead leading-snug">{shortWords(short, month, nowMs)}</p>
        {remarks && (
          <p className="mt-3 text-body">
            <b className="font-semibold">{W.saidAtItsLast(date(remarks.at))}:</b> {remarks.notes.at(-1)}
          </p>
        )}
        <p className="mt-3 text-small text-ink-2">{W.aRecoveryIsTakenTo}</p>
        {car.facts.remark !== '' && (
          <p className="mt-3 text-lead font-medium">
            <Sign kind="caution" />
            {car.facts.remark}
          </p>
        )}
        <Link
          href={`/job/new?car=${car.id}`}
          className="plain-button mt-4 inline-flex items-center bg-sheet font-semibold"
        >
          {W.takeItIn}
        </Link>
        {labelPhoto && (
          // biome-ignore lint/performance/noImgElement: the photograph is small already, no other server makes it so
          <img src={labelPhoto} alt={W.itsLabelPhotographed} className="mt-4 w-full border border-rule" />
        )}
        <CarForm car={car} />
      </aside>
    </main>
  )
}

/** How long was held; empty where a former life's line does not say. */
const heldWords = (heldS: number): string => (heldS === 0 ? '' : W.min(Math.round(heldS / 60)))
