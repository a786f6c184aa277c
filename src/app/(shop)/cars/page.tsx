import { forPage } from '@/server/accounts/for-page'
import { selectCars } from '@/server/cars/cars'
import { CarList } from '@/ui/book/car-list'

export default async function CarsPage() {
  const scope = await forPage()
  return <CarList cars={await selectCars(scope)} timeZone={scope.shop.timeZone} />
}
