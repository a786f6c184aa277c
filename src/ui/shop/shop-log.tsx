import { W } from '@/core/language/screen/shop'
import { dateTimeIn } from '@/core/units/clock-text'
import { Fold } from '../form/fold'

export type LoggedLine = { id: string; at: string; by: string; what: string; about: string }

/** What was done with accounts, rights, keys and backups, the newest first. */
export function ShopLog({ lines, timeZone }: { lines: readonly LoggedLine[]; timeZone: string }) {
  const when = dateTimeIn(timeZone)
  return (
    <section>
      <h2 className="text-head font-semibold">{W.whatWasDoneWithAccounts}</h2>
      {lines.length === 0 ? (
        <p className="mt-1 text-body text-ink-2">{W.nothingYet}</p>
      ) : (
        <Fold title={W.theLog(lines.length)} className="mt-1 max-w-[860px]">
          <ul aria-label={W.shopLog}>
            {lines.map(({ id, at, by, what, about }) => (
              <li
                key={id}
                className={
                  'grid grid-cols-[150px_150px_1fr] gap-3 border-t border-rule py-1.5 text-body max-sm:grid-cols-1 ' +
                  'max-sm:gap-0'
                }
              >
                <span className="text-ink-2">{when(at)}</span>
                <span>{by || W.commandLine}</span>
                <span>
                  <b className="font-semibold">{what}</b>
                  {about && `: ${about}`}
                </span>
              </li>
            ))}
          </ul>
        </Fold>
      )}
    </section>
  )
}
