import { notFound } from 'next/navigation'
import { Id } from '@/core/entry/id'
import { forPage } from '@/server/accounts/for-page'
import { recordSide } from '@/server/book/record-side'
import { RecordsBeside } from '@/ui/book/records-beside'

export default async function Beside({ searchParams }: { searchParams: Promise<{ a?: string; b?: string }> }) {
  const scope = await forPage()
  const asked = await searchParams
  const ids = [asked.a, asked.b].map((id) => Id.safeParse(id))
  if (ids.some((id) => !id.success)) notFound()
  const sides = await Promise.all(ids.map((id) => recordSide(scope, id.data ?? '')))
  const [left, right] = sides
  if (!left || !right) notFound()
  // the earlier one first, whichever was ticked first
  const [first, second] = left.state.openedAt <= right.state.openedAt ? [left, right] : [right, left]
  return <RecordsBeside first={first} second={second} timeZone={scope.shop.timeZone} />
}
