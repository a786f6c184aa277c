'use client'

import { DropdownMenu } from 'radix-ui'
import { codeWords } from '@/core/language/codes'
import { W } from '@/core/language/screen/frame-account-menu'
import { signOut } from './leave'
import type { UserView } from './who'

function switchTheme(): void {
  const root = document.documentElement
  const next = root.dataset.theme === 'night' ? 'day' : 'night'
  root.dataset.theme = next
  // biome-ignore lint/suspicious/noDocumentCookie: the cookie store API is not in every browser on a bench
  document.cookie = `yperos-theme=${next}; path=/; max-age=31536000; samesite=lax`
}

const ITEM = 'flex min-h-11 cursor-pointer items-center px-4 text-body outline-none data-[highlighted]:bg-deep'

/** Who works here, day or night, and the way out. */
export function AccountMenu({ user }: { user: UserView }) {
  const initials = user.name
    .split(' ')
    .map((part) => part[0])
    .join('')
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger
        className="plain-button min-h-9! px-2.5! text-note"
        aria-label={W.menu(initials, user.name, codeWords(user.role))}
      >
        {initials}
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align="end"
          sideOffset={6}
          className="z-20 min-w-56 rounded border-[1.5px] border-ink bg-sheet py-1 text-ink"
        >
          <DropdownMenu.Label className="px-4 py-2 text-note text-ink-2">
            {user.name}, {codeWords(user.role)}
          </DropdownMenu.Label>
          <DropdownMenu.Item className={ITEM} onSelect={switchTheme}>
            {W.dayOrNightColours}
          </DropdownMenu.Item>
          <DropdownMenu.Item className={ITEM} onSelect={() => window.location.assign('/me')}>
            {W.yourPasswordAndUnits}
          </DropdownMenu.Item>
          <DropdownMenu.Item className={ITEM} onSelect={() => void signOut()}>
            {W.signOut}
          </DropdownMenu.Item>
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  )
}
