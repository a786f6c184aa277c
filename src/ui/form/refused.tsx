import type { ReactNode } from 'react'

/** Why something was not taken, said aloud at once; empty while there is nothing to say. */
export function Refused({ children, className = 'text-note' }: { children: ReactNode; className?: string }) {
  return (
    <p role="alert" className={`font-medium text-leak ${className}`}>
      {children}
    </p>
  )
}
