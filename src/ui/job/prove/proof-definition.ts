import { sayOf } from '@/core/call/types'
import { highIsSeen } from '@/core/job/sides'
import { W } from '@/core/language/screen/job-prove'
import { PA_PER_PSI } from '@/core/units/constants'
import type { Say } from '@/core/units/say'
import { readAmount, readCelsius, readGauge } from '../../form/entries'
import { Collector, type FormDefinition } from '../forms/form-types'

/** What a gauge that is connected shows, as it would be typed. */
const gaugeValue = (pa: number | undefined, barometerPa: number, say: Say): string =>
  pa === undefined ? '' : say.units.pressure === 'psi' ? tenthsOf(pa - barometerPa) : say.pressure(pa - barometerPa)
/** A whole pound is coarser than what instruments send. */
const tenthsOf = (paG: number): string => W.psig((paG / PA_PER_PSI).toFixed(1))

export const proof: FormDefinition = {
  initial: (state, live) => ({
    low: gaugeValue(live.lowPa, state.opened.place.barometerPa, sayOf(live)),
    high: gaugeValue(live.highPa, state.opened.place.barometerPa, sayOf(live)),
    vent: live.ventC === undefined ? '' : `${live.ventC} C`,
    ambient: `${state.proofs[0]?.ambientC ?? state.opened.place.ambientC} C`,
    humidity: state.proofs[0]?.humidity === undefined ? '' : String(Math.round(100 * state.proofs[0].humidity)),
    engine: state.proofs.some((p) => p.engine === 'idle') ? 'at-speed' : 'idle',
    note: '',
  }),
  parse: (values, state, { units }) => {
    const { barometerPa } = state.opened.place
    const c = new Collector()
    const lowPaG = c.take('low', readGauge(values.low ?? '', barometerPa, units), 0)
    // where nothing hangs on the high port it may be left out
    const unread = !highIsSeen(state) && !values.high?.trim()
    const highPaG = unread ? null : c.take('high', readGauge(values.high ?? '', barometerPa, units), 0)
    const ventC = c.take('vent', readCelsius(values.vent ?? '', units), 0)
    const ambientC = c.take('ambient', readCelsius(values.ambient ?? '', units), 0)
    const humidity = values.humidity?.trim()
      ? c.take('humidity', readAmount(values.humidity.replace('%', ''), W.theHumidityIn, 100), 0) / 100
      : undefined
    if (Object.keys(c.errors).length > 0) return { errors: c.errors }
    const asks = highPaG !== null && highPaG < lowPaG ? { high: W.lowerThanTheLowSide } : undefined
    const engine = values.engine === 'idle' ? ('idle' as const) : ('at-speed' as const)
    const payload = {
      lowPaG,
      highPaG,
      ventC,
      ambientC,
      note: values.note?.trim() ?? '',
      engine,
      ...(humidity !== undefined && { humidity }),
    }
    return { deeds: [{ kind: 'proof-read', payload }], ...(asks && { asks }) }
  },
}
