import { rigBusy } from '@/core/day/rig-busy'
import { duesOfRig } from '@/core/equipment/upkeep'
import { forPage } from '@/server/accounts/for-page'
import { selectCars } from '@/server/cars/cars'
import { selectExpected } from '@/server/day/day-rows'
import { selectPlan } from '@/server/day/plan-rows'
import { selectShelf } from '@/server/equipment/shelf'
import { pumpsRunning } from '@/server/jobs/pumps-running'
import { selectProcedures, selectRigs } from '@/server/shop/catalogue'
import { selectPlaces } from '@/server/shop/places'
import { shopView } from '@/server/shop/view'
import { dayIn } from '@/ui/format'
import { NewCar } from '@/ui/new-car/new-car'

export default async function NewCarPage({
  searchParams,
}: {
  searchParams: Promise<{ expected?: string; car?: string }>
}) {
  const scope = await forPage()
  const { expected, car } = await searchParams
  const [procedures, rigs, shelf, cars, places, running, kept, toCome] = await Promise.all([
    selectProcedures(scope),
    selectRigs(scope),
    selectShelf(scope),
    selectCars(scope),
    selectPlaces(scope),
    pumpsRunning(scope),
    selectPlan(scope),
    expected === undefined ? [] : selectExpected(scope),
  ])
  const now = Date.now()
  return (
    <NewCar
      shop={shopView(scope.shop)}
      places={places}
      cars={cars}
      procedures={procedures}
      again={cars.find((c) => c.id === car) ?? null}
      expected={toCome.find((c) => c.id === expected) ?? null}
      rigs={rigs.map((rig) => ({
        ...rig,
        dues: duesOfRig(rig, shelf, now, dayIn(scope.shop.timeZone)),
        pullsOn: running.get(rig.equipment?.pump ?? ''),
        busy: kept && rigBusy(kept.plan, rig.name, now),
      }))}
    />
  )
}
