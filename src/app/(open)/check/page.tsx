import { CheckPage } from '@/ui/check/check-page'

/** Checks a record in the browser: nothing is sent, and nothing of the shop is shown. */
export default function Check() {
  return <CheckPage />
}
