'use client'

import { useState } from 'react'
import type { OnSale } from '@/core/charge/buy'
import { W } from '@/core/language/screen/shop'
import { groupedFingerprint } from '@/core/record/signing-key'
import type { Instrument } from '@/core/shop/instruments'
import type { TraineeRights } from '@/core/shop/trainee'
import type { StoredProcedure } from '@/core/views'
import { Fold } from '../form/fold'
import { Instruments } from './instruments'
import { LinkTold } from './link-told'
import { SizesOnSale } from './on-sale'
import { type LinkOf, NewPerson, type Person, PersonRow } from './people'
import { Places, type PlaceView } from './places'
import { Procedures } from './procedures'
import { ShopRules } from './rules'
import { type LoggedLine, ShopLog } from './shop-log'
import { TraineeSwitches } from './trainee-switches'

type Props = {
  places: PlaceView[]
  rules: { certificateAsked: boolean; backupDays: number; leadAfterMin: number; backedUpAt: string | null }
  trainee: TraineeRights
  logged: readonly LoggedLine[]
  timeZone: string
  publicKey: string
  instruments: Instrument[]
  onSale: readonly OnSale[]
  address: string
  procedures: StoredProcedure[]
  people: Person[]
  me: string
  fingerprint: string
}

/** What the lead decides for the shop: procedures and people; rigs are put together in the rig room. */
export function ShopPage({
  places,
  rules,
  instruments,
  onSale,
  address,
  procedures,
  people,
  me,
  fingerprint,
  publicKey,
  trainee,
  logged,
  timeZone,
}: Props) {
  return (
    <main className="space-y-8 px-5 py-4 max-sm:px-4">
      <Places places={places} />
      <People people={people} me={me} certificateAsked={rules.certificateAsked} />
      <Instruments instruments={instruments} address={address} />
      <Procedures procedures={procedures} />
      <SizesOnSale onSale={onSale} />
      <TraineeSwitches rights={trainee} />
      <ShopRules {...rules} />
      <section>
        <h2 className="text-head font-semibold">{W.keyTheRecordsAreSealed}</h2>
        <p className="mt-1 max-w-[760px] text-body">
          <span className="font-medium">{groupedFingerprint(fingerprint)}</span>
          <span className="mt-1 block text-small text-ink-2">{W.giveItToWhoeverChecks}</span>
        </p>
        <Fold title={W.theKeyItself} className="mt-2 max-w-[760px]">
          <code className="block break-all py-2 text-small">{publicKey}</code>
        </Fold>
      </section>
      <ShopLog lines={logged} timeZone={timeZone} />
    </main>
  )
}

function People({ people, me, certificateAsked }: { people: Person[]; me: string; certificateAsked: boolean }) {
  const [told, setTold] = useState<LinkOf>()
  return (
    <section>
      <h1 className="mb-2 text-title font-semibold">{W.people}</h1>
      <ul className="border-t-2 border-ink">
        {people.map((p) => (
          <PersonRow key={p.id} person={p} me={me} certificateAsked={certificateAsked} onLink={setTold} />
        ))}
      </ul>
      {told && <LinkTold key={told.link} {...told} onDone={() => setTold(undefined)} />}
      <NewPerson onLink={setTold} />
    </section>
  )
}
