import { redirect } from 'next/navigation'
import { forPage } from '@/server/accounts/for-page'
import { may } from '@/server/accounts/roles'
import { selectImports } from '@/server/book/import-former'
import { dayIn } from '@/ui/format'
import { ImportPage } from '@/ui/import/import-page'

export default async function Import() {
  const scope = await forPage()
  if (!may(scope.user.role, 'correct-book')) redirect('/board')
  const { timeZone } = scope.shop
  return (
    <ImportPage
      imports={await selectImports(scope)}
      today={dayIn(timeZone)(Date.now())}
      timeZone={timeZone}
      mayRecords={may(scope.user.role, 'edit-shop')}
    />
  )
}
