'use client'

import { W } from '@/core/language/screen/frame-sign-out'

import { MainButton } from '../form/main-button'
import { signOut } from './leave'

/** One button: an address alone, followed from anywhere, signs nobody out. */
export function SignOut() {
  return (
    <main className="mx-auto max-w-[440px] px-5 py-10 max-sm:px-4">
      <h1 className="mb-4 text-call font-semibold leading-tight">{W.signOut}</h1>
      <p className="mb-5 text-lead">{W.whatYouDidAndIs}</p>
      <MainButton type="button" onClick={() => void signOut()}>
        {W.signOut}
      </MainButton>
    </main>
  )
}
