import type { ReactNode } from 'react'

type Props = {
  label: string
  /** what it is above the panel, px: the panel is as high as what is left of the screen */
  above?: 44 | 128
  /** comes before the instrument where there is one column */
  first?: boolean
  children: ReactNode
}

/*
 * As high as the screen: what its foot covers before the page is scrolled comes into sight with the first turn of the
 * wheel, and the foot stays where it is.
 */
const HEIGHTS = { 44: 'lg:min-h-[calc(100dvh-44px)]', 128: 'lg:min-h-dvh' } as const

/** The one voice of a screen, at its side: it stays in sight while the rest scrolls. */
export function SidePanel({ label, above = 44, first = false, children }: Props) {
  return (
    <aside
      aria-label={label}
      className={
        `flex flex-col border-l border-rule bg-sheet p-5 max-lg:border-l-0 max-sm:p-4 lg:sticky lg:top-0 ` +
        `lg:self-start ${HEIGHTS[above]} ${first ? 'max-lg:order-first max-lg:border-t' : ''}`
      }
    >
      {children}
    </aside>
  )
}

/** The panel's action, always in sight: what is above it scrolls under it. */
export function PanelFoot({ children }: { children: ReactNode }) {
  return (
    <div
      className={
        'mt-auto pt-4 max-sm:sticky max-sm:bottom-0 max-sm:-mx-4 max-sm:bg-sheet max-sm:px-4 max-sm:pt-2 max-sm:pb-2 ' +
        'lg:sticky lg:bottom-0 lg:-mx-5 lg:-mb-5 lg:bg-sheet lg:px-5 lg:pb-4'
      }
    >
      {children}
    </div>
  )
}
