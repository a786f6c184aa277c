import { callIn, type GroupRate, promisesKept, ratesBy, seasonOf } from '@/core/book/fleet'
import { codeWords } from '@/core/language/codes'
import { W } from '@/core/language/pages/fleet-page'
import { RENEWED_WORDS } from '@/core/words/renewed'
import { forPage } from '@/server/accounts/for-page'
import { selectFleet } from '@/server/book/fleet'
import { FleetPage } from '@/ui/book/fleet-page'
import { dayIn, localTimeMs } from '@/ui/format'

/** After so many months a repair that still holds has kept its promise. */
const KEPT_AFTER_MONTHS = 6

export default async function Fleet({ searchParams }: { searchParams: Promise<{ before?: string | string[] }> }) {
  const scope = await forPage()
  const { timeZone } = scope.shop
  const asked = (await searchParams).before
  const before =
    typeof asked === 'string' && /^\d{4}-\d\d-\d\d$/.test(asked) ? asked : summerAfter(dayIn(timeZone)(Date.now()))
  const cars = await selectFleet(scope)
  const rates: { title: string; of: string; rates: GroupRate[] }[] = [
    { title: W.byModel, of: codeWords('model'), rates: ratesBy(cars, (car) => [car.model || W.noModelTold]) },
    {
      title: W.byWhatHadBeenRenewed,
      of: codeWords('part'),
      rates: ratesBy(cars, (_car, span) =>
        span.partsBefore.length === 0
          ? [codeWords('nothing')]
          : span.partsBefore.map((p) => RENEWED_WORDS[p as keyof typeof RENEWED_WORDS].toLowerCase()),
      ),
    },
    {
      title: W.byTheSeasonItCame,
      of: codeWords('season'),
      rates: ratesBy(cars, (_car, span) => [codeWords(seasonOf(span.month))]),
    },
  ]
  return (
    <FleetPage
      before={before}
      list={callIn(cars, localTimeMs(`${before}T00:00`, timeZone)).map(({ car, rate, short, chance }) => ({
        id: car.id,
        name: car.name,
        plate: car.plate,
        rate,
        short,
        chance,
      }))}
      cars={cars.length}
      rates={rates}
      promises={promisesKept(cars, KEPT_AFTER_MONTHS)}
      months={KEPT_AFTER_MONTHS}
      timeZone={timeZone}
      nowMs={Date.now()}
    />
  )
}

/** The next first of June: cars are called in before the heat, and a list for last summer helps nobody. */
function summerAfter(today: string): string {
  const year = Number(today.slice(0, 4))
  return today < `${year}-06-01` ? `${year}-06-01` : `${year + 1}-06-01`
}
