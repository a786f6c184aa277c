import { notFound } from 'next/navigation'
import { Id } from '@/core/entry/id'
import { forPage } from '@/server/accounts/for-page'
import { carPage } from '@/server/book/car-page'
import { CarPage } from '@/ui/book/car-page'

export default async function Car({ params }: { params: Promise<{ carId: string }> }) {
  const scope = await forPage()
  const { carId } = await params
  if (!Id.safeParse(carId).success) notFound()
  const found = await carPage(scope, carId)
  if (!found) notFound()
  return <CarPage {...found} timeZone={scope.shop.timeZone} nowMs={Date.now()} />
}
