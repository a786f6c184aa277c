import { duesOfRig } from '@/core/equipment/upkeep'
import { forPage } from '@/server/accounts/for-page'
import { selectCars } from '@/server/cars/cars'
import { selectShelf } from '@/server/equipment/shelf'
import { pumpsRunning } from '@/server/jobs/pumps-running'
import { selectProcedures, selectRigs } from '@/server/shop/catalogue'
import { selectPlaces } from '@/server/shop/places'
import { shopView } from '@/server/shop/view'
import { dayIn } from '@/ui/format'
import { NewCar } from '@/ui/new-car/new-car'

export default async function NewCarPage() {
  const scope = await forPage()
  const [procedures, rigs, shelf, cars, places, running] = await Promise.all([
    selectProcedures(scope),
    selectRigs(scope),
    selectShelf(scope),
    selectCars(scope),
    selectPlaces(scope),
    pumpsRunning(scope),
  ])
  const now = Date.now()
  return (
    <NewCar
      shop={shopView(scope.shop)}
      places={places}
      cars={cars}
      procedures={procedures}
      rigs={rigs.map((rig) => ({
        ...rig,
        dues: duesOfRig(rig, shelf, now, dayIn(scope.shop.timeZone)),
        pullsOn: running.get(rig.equipment?.pump ?? ''),
      }))}
    />
  )
}
