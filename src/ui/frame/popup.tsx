'use client'

import { Dialog } from 'radix-ui'
import type { ReactNode } from 'react'
import { W } from '@/core/language/screen/frame-popup'

type Props = {
  open: boolean
  onOpenChange: (open: boolean) => void
  title: string
  width: 'narrow' | 'middle' | 'tall'
  closes?: boolean
  children: ReactNode
}

const SHAPES = {
  narrow: 'top-20 max-h-[calc(100vh-96px)] w-[min(420px,calc(100vw-32px))] overflow-y-auto',
  middle: 'top-20 max-h-[calc(100vh-96px)] w-[min(560px,calc(100vw-32px))] overflow-y-auto',
  // as high as the screen: its content scrolls
  tall: 'inset-y-10 flex w-[min(760px,calc(100vw-24px))] flex-col',
} as const

/** A sheet over the page, with its title; Escape and a tap beside it close it. */
export function Popup({ open, onOpenChange, title, width, closes = true, children }: Props) {
  return (
    <Dialog.Root open={open} onOpenChange={onOpenChange}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-10 bg-floor/60" />
        <Dialog.Content
          aria-describedby={undefined}
          className={`fixed left-1/2 z-20 -translate-x-1/2 rounded border-[1.5px] border-ink bg-sheet p-5 ${SHAPES[width]}`}
        >
          <div className="flex items-center justify-between">
            <Dialog.Title className="text-row font-semibold">{title}</Dialog.Title>
            {closes && <Dialog.Close className="plain-button">{W.close}</Dialog.Close>}
          </div>
          {children}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  )
}
