'use client'

import type { Shelved } from '@/core/equipment/equipment'
import type { StoredRig } from '@/core/views'
import type { ShopView } from '../frame/who'
import { ZoneProvider } from '../zone'
import { RigBuilder } from './rig-builder'
import { Shelf } from './shelf'

type Props = { shop: ShopView; rigs: StoredRig[]; shelf: Shelved[]; mayEdit: boolean; now: number }

/** Rigs put together from what is on the shelf, what they do at the car, and the shelf itself with what is due. */
export function RigRoom({ shop, rigs, shelf, mayEdit, now }: Props) {
  return (
    <ZoneProvider timeZone={shop.timeZone}>
      <RigBuilder shop={shop} rigs={rigs} shelf={shelf} mayEdit={mayEdit} now={now} />
      <Shelf shelf={shelf} mayEdit={mayEdit} now={now} />
    </ZoneProvider>
  )
}
