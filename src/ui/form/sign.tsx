import { Check, type LucideIcon, TriangleAlert, X } from 'lucide-react'

const ICONS: Record<'fault' | 'caution' | 'done', LucideIcon> = { fault: X, caution: TriangleAlert, done: Check }

/**
 * A sign beside words that say the same: what cannot be, what to look out for, what is done. Drawn by us, not by
 * whatever font a machine has.
 */
export function Sign({ kind, size = '1.05em' }: { kind: keyof typeof ICONS; size?: string | number }) {
  const Icon = ICONS[kind]
  return <Icon aria-hidden="true" size={size} strokeWidth={2.6} className="mr-1 inline shrink-0 align-[-0.14em]" />
}

/** The sign of a caution, as tall as the line it stands before. */
export function Triangle() {
  return <TriangleAlert size={24} strokeWidth={2.2} aria-hidden="true" className="mt-0.5 shrink-0 text-caution" />
}
