import type { FormEventHandler, ReactNode } from 'react'

type Props = {
  name: string
  /** what its button says; none where this way is barred */
  action: string | undefined
  busy: boolean
  onSubmit: FormEventHandler
  children: ReactNode
}

/** One way off the path: what it means, what is asked for it, and its button. */
export function WayForm({ name, action, busy, onSubmit, children }: Props) {
  return (
    <form aria-label={name} className="pb-3" onSubmit={onSubmit} noValidate>
      {children}
      {action !== undefined && (
        <button type="submit" className="plain-button mt-2" disabled={busy}>
          {action}
        </button>
      )}
    </form>
  )
}
