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

/**
 * The panel's action, always in sight: what is above it scrolls under it.
 * @param barred - a bar of its own keeps the action in sight on a phone, whatever stands above it
 */
export function PanelFoot({ barred = false, children }: { barred?: boolean; children: ReactNode }) {
  const onPhone = barred
    ? ''
    : 'max-sm:sticky max-sm:bottom-0 max-sm:-mx-4 max-sm:bg-sheet max-sm:px-4 max-sm:pt-2 max-sm:pb-2 '
  return (
    <div className={`mt-auto pt-4 ${onPhone}lg:sticky lg:bottom-0 lg:-mx-5 lg:-mb-5 lg:bg-sheet lg:px-5 lg:pb-4`}>
      {children}
    </div>
  )
}

/** At the foot of a phone's screen, over all that scrolls. */
export const AT_THE_FOOT =
  'max-sm:fixed max-sm:inset-x-0 max-sm:bottom-0 max-sm:z-10 max-sm:border-t-2 max-sm:border-ink max-sm:bg-sheet ' +
  'max-sm:px-4 max-sm:pt-2 max-sm:pb-[max(0.6rem,env(safe-area-inset-bottom))]'

/**
 * What is said and the button that answers it: on a phone a bar that neither an alarm nor a long form pushes out of
 * sight; elsewhere the button alone, in the panel's foot.
 * @param said - the sentence, heard where it stands in the panel
 */
export function ActionBar({
  said,
  figure,
  children,
}: {
  said: string
  figure?: string | undefined
  children: ReactNode
}) {
  return (
    <div data-bar="" className={AT_THE_FOOT}>
      <p aria-hidden="true" className="mb-1.5 hidden items-center justify-between gap-3 max-sm:flex">
        <span className="text-row font-semibold leading-tight">{said}</span>
        {figure && <span className="figure text-fig-s font-semibold whitespace-nowrap">{figure}</span>}
      </p>
      {children}
    </div>
  )
}
