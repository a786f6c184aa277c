import type { ReactNode } from 'react'

/** A step's own part of the screen, with what it is about. */
export function Section({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section className="pt-4">
      <h2 className="mb-3 text-title font-semibold leading-tight">{title}</h2>
      {children}
    </section>
  )
}
