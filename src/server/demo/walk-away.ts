import { randomUUID } from 'node:crypto'
import * as z from 'zod'
import type { EventDraft } from '@/core/job/events'
import { procedureWritten, rigWritten } from '@/core/job/written'
import { FREE_VOLUME_L } from '@/core/rig/free-volume'
import { stationPressurePa } from '@/core/units/barometer'
import { parseMassRange } from '@/core/units/mass'
import { selectAccounts } from '../accounts/accounts'
import { onBehalf } from '../accounts/user-scope'
import { inTransaction, type Scope } from '../db/scope'
import { appendEvents } from '../jobs/append-events'
import { openJob } from '../jobs/open-job'
import { typeReadings } from '../readings/type-reading'
import { selectProcedures, selectRigs } from '../shop/catalogue'
import { insertPlace } from '../shop/places'

const Minutes = z.number().max(0)

/** A real car at another place, with a needle: nothing of it is simulated, every reading was typed. */
export const DemoAway = z.strictObject({
  place: z.strictObject({ name: z.string(), altitudeM: z.number(), ambientC: z.number() }),
  car: z.strictObject({ name: z.string(), model: z.string(), charge: z.string(), complaint: z.string() }),
  rig: z.string(),
  procedure: z.string(),
  startMin: Minutes,
  steps: z.strictObject({ zero: Minutes, fix: Minutes, rig: Minutes, pull: Minutes, isolate: Minutes }),
  /** minutes from the day of loading, inches below the air */
  readings: z.array(z.tuple([Minutes, z.number()])),
  barometerMbar: z.tuple([Minutes, z.number()]),
})
type DemoAway = z.infer<typeof DemoAway>

const MINUTE = 60_000
const part = (name: string, state: string) => ({ kind: 'part-set', payload: { part: name, state } })
const finished = (step: string) => ({ kind: 'step-finished', payload: { step } })

/** Takes a needle's car to where it holds, by the deeds and the typed readings a hand would have left. */
export async function walkAway(db: Scope, away: DemoAway, now: Date): Promise<void> {
  const at = (minutes: number) => new Date(now.getTime() + minutes * MINUTE)
  const author = (await selectAccounts(db)).find((a) => a.role === 'technician')
  const procedure = (await selectProcedures(db)).find((p) => p.name === away.procedure)
  const rig = (await selectRigs(db)).find((r) => r.name === away.rig)
  if (!author || !procedure || !rig) throw new RangeError(`${away.car.name}: its rig or procedure is not in this place`)
  const { id: _p, proves: _w, ...written } = procedure
  const { id: _r, parts: _m, missing: _n, ...plain } = rig
  const { lowG, highG } = parseMassRange(away.car.charge)
  const { altitudeM, ambientC } = away.place
  const air = { altitudeM, barometerPa: stationPressurePa(altitudeM), ambientC }
  const id = randomUUID()
  const payload = {
    car: { name: away.car.name, model: away.car.model, hybrid: false },
    complaint: away.car.complaint,
    label: {
      refrigerant: 'R-134a' as const,
      lowG,
      highG,
      typed: away.car.charge,
      toleranceG: 15,
      oilKind: 'PAG 46',
      oilMl: null,
      source: 'label' as const,
    },
    place: air,
    story: { opened: 'component' as const, openHours: 2, drierReplaced: true },
    history: { daysSinceCharge: null, lastChargeG: null, recoveredG: null },
    volumeL: FREE_VOLUME_L[1],
    procedure: procedureWritten(written),
    rig: rigWritten(plain),
    simulated: false,
  }
  const { zero, fix, rig: rigged, pull, isolate } = away.steps
  const deeds: [number, { kind: string; payload: unknown }][] = [
    [zero, { kind: 'zero-read', payload: { lowPaG: 0, highPaG: 0, errorPa: 7000, typed: '0 psig, 0 psig' } }],
    [zero, finished('zero')],
    [
      fix,
      {
        kind: 'fix-logged',
        payload: {
          renewed: [
            { what: 'hose', count: 1 },
            { what: 'drier', count: 1 },
          ],
          openHours: 2,
          oilOwedMl: 30,
          oilReason: 'drier and hose',
        },
      },
    ],
    [fix, finished('fix')],
    ...(['coupler-low', 'coupler-high'] as const).map((p): [number, { kind: string; payload: unknown }] => [
      rigged,
      part(p, 'open'),
    ]),
    [rigged, part('centre-hose', 'pump')],
    [rigged, part('exhaust-cap', 'off')],
    [rigged, finished('rig')],
    ...(['pump', 'valve-low', 'valve-high'] as const).map((p): [number, { kind: string; payload: unknown }] => [
      pull,
      part(p, p === 'pump' ? 'on' : 'open'),
    ]),
    [isolate, finished('pull')],
    [isolate, part('valve-low', 'closed')],
    [isolate, part('valve-high', 'closed')],
    [isolate, { kind: 'isolated', payload: {} }],
    [isolate, part('pump', 'off')],
    [isolate, part('centre-hose', 'off')],
    [isolate, finished('isolate')],
  ]
  await inTransaction(db, async (tx) => {
    await insertPlace(tx, { name: away.place.name, ...air, read: false })
    await openJob(tx, author, { id, eventId: randomUUID(), payload }, at(away.startMin))
    const drafts = deeds.map(([minutes, deed]) => ({
      id: randomUUID(),
      happenedAt: at(minutes).toISOString(),
      ...deed,
    }))
    await appendEvents(tx, author, id, drafts as EventDraft[])
  })
  const vacuum = away.readings.map(([minutes, value], i) => ({
    seq: i + 1,
    channel: 'vacuum' as const,
    value,
    unit: 'inHgV' as const,
    at: at(minutes).toISOString(),
  }))
  const [minutes, mbar] = away.barometerMbar
  const barometer = {
    seq: 1000,
    channel: 'barometer' as const,
    value: mbar,
    unit: 'mbar' as const,
    at: at(minutes).toISOString(),
  }
  await typeReadings(onBehalf(db, author), id, [...vacuum, barometer])
}
