'use client'

import { ChevronDown } from 'lucide-react'
import { Collapsible } from 'radix-ui'
import { type ReactNode, useEffect, useState } from 'react'

type Props = {
  title: ReactNode
  children: ReactNode
  className?: string
  /** open by itself, at first or when this turns true */
  first?: boolean
  /** held open, or by whoever holds it */
  open?: boolean | undefined
  onOpenChange?: (open: boolean) => void
}

/** What is needed now and then, behind its title. */
export function Fold({ title, children, className = '', first = false, open, onOpenChange }: Props) {
  const [own, setOwn] = useState(first)
  // what becomes urgent opens by itself; whoever has seen it may close it again
  useEffect(() => {
    if (first) setOwn(true)
  }, [first])
  const shown = open ?? own
  return (
    <Collapsible.Root
      className={className}
      open={shown}
      onOpenChange={(next) => {
        setOwn(next)
        onOpenChange?.(next)
      }}
    >
      <Collapsible.Trigger
        className={
          'group flex min-h-11 w-full cursor-pointer items-center gap-2 py-1.5 text-left text-body ' + 'font-semibold'
        }
      >
        <ChevronDown
          aria-hidden="true"
          size={20}
          className="shrink-0 -rotate-90 transition-transform group-data-[state=open]:rotate-0"
        />
        <span>{title}</span>
      </Collapsible.Trigger>
      <Collapsible.Content>{children}</Collapsible.Content>
    </Collapsible.Root>
  )
}
