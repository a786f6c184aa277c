import type { Rig } from '@/core/job/written'
import { codeWords } from '@/core/language/codes'
import { W } from '@/core/language/screen/rig-room'
import { type PortSpeed, SPEED_DEPTHS_MICRON } from '@/core/rig/port-speeds'
import { L_S_PER_CFM } from '@/core/units/constants'
import { cfmText } from '../format'

const DEPTH_WORDS = { air: W.fromAir, 5000: W.n5000Micron, 500: W.n500Micron } as const
const cfm = (speedM3S: number): string => ((speedM3S * 1000) / L_S_PER_CFM).toPrecision(2)
const percent = (share: number): string => `${share < 0.01 ? (share * 100).toFixed(1) : Math.round(share * 100)} %`

/** Effective speed at each port and depth: what is left at the car of what the pump's plate says. */
export function SpeedTable({ speeds, rig }: { speeds: PortSpeed[] | undefined; rig: Rig }) {
  const ports = rig.hoses === 2 ? (['low', 'high'] as const) : (['low'] as const)
  const at = (port: PortSpeed['port'], depth: PortSpeed['depth']) =>
    speeds?.find((s) => s.port === port && s.depth === depth)
  return (
    <section aria-label={W.speedAtTheCar}>
      <h2 className="text-lead font-semibold">{W.speedLeftAtThePorts}</h2>
      <table className="mt-1 w-full text-small">
        <thead>
          <tr className="text-left text-note text-ink-2">
            <th className="py-0.5 font-normal">{W.ofCfm(cfmText(rig.pumpM3S))}</th>
            {ports.map((port) => (
              <th key={port} className="py-0.5 text-right font-normal">
                {W.side2(codeWords(port))}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {(['air', ...SPEED_DEPTHS_MICRON] as const).map((depth) => (
            <tr key={depth} className="border-t border-rule align-top">
              <th className="py-1.5 text-left font-medium">{DEPTH_WORDS[depth]}</th>
              {ports.map((port) => {
                const s = at(port, depth)
                return (
                  <td key={port} className="py-1.5 pl-3 text-right">
                    <b className="text-row font-semibold leading-none">{s ? percent(s.share) : '…'}</b>
                    <span className="block text-note text-ink-2">{s ? W.cfm3(cfm(s.speedM3S)) : ''}</span>
                    <span className="mt-0.5 block h-[5px] w-full bg-rule" aria-hidden="true">
                      <span
                        className="block h-full bg-ink"
                        style={{ width: `${Math.min(100, (s?.share ?? 0) * 100)}%` }}
                      />
                    </span>
                  </td>
                )
              })}
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-1 text-note leading-snug text-ink-2">{W.bothPortsPullAtOnce}</p>
    </section>
  )
}
