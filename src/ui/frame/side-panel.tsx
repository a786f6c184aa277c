import type { ReactNode } from 'react'

type Props = {
  label: string
  /** what it is above the panel, px: the panel is as high as what is left of the screen */
  above?: 44 | 128
  /** comes before the instrument where there is one column */
  first?: boolean
  children: ReactNode
}

const HEIGHTS = { 44: 'lg:h-[calc(100dvh-44px)]', 128: 'lg:h-[calc(100dvh-128px)] lg:min-h-[560px]' } as const

/** The one voice of a screen, at its side: it stays in sight while the rest scrolls. */
export function SidePanel({ label, above = 44, first = false, children }: Props) {
  return (
    <aside
      aria-label={label}
      className={`flex flex-col border-l border-rule bg-sheet p-5 max-lg:border-l-0 max-sm:p-4 lg:sticky lg:top-0 lg:self-start lg:overflow-y-auto ${HEIGHTS[above]} ${first ? 'max-lg:order-first max-lg:border-t' : ''}`}
    >
      {children}
    </aside>
  )
}

/** The panel's action, always in sight: what is above it scrolls under it. */
export function PanelFoot({ children }: { children: ReactNode }) {
  return (
    <div className="mt-auto pt-4 max-sm:sticky max-sm:bottom-0 max-sm:-mx-4 max-sm:bg-sheet max-sm:px-4 max-sm:pt-2 max-sm:pb-2 lg:sticky lg:-bottom-5 lg:-mx-5 lg:-mb-5 lg:bg-sheet lg:px-5 lg:pb-4">
      {children}
    </div>
  )
}
