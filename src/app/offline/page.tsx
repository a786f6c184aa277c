import { KeptPages } from '@/ui/offline/kept-pages'

export const dynamic = 'force-dynamic'

/**
 * What there is without a line, for an address that was never opened on this device. Open to nobody signed in: it
 * shows nothing of the server.
 */
export default function Offline() {
  return <KeptPages />
}
