import type { Asked } from './asked'

/**
 * When this page was kept, where it comes from this device instead of the server: this device's wall time, ms. Null for
 * a page the server just sent.
 */
export function keptAtMs(): number | null {
  if (typeof document === 'undefined') return null
  const at = Number(document.documentElement.dataset.keptAt)
  return Number.isFinite(at) && at > 0 ? at : null
}

/** The server was heard: what comes now is no page that was kept. */
export function heardFromServer(): void {
  if (typeof document !== 'undefined') delete document.documentElement.dataset.keptAt
}

/** The service worker that keeps pages, where this browser has one: by TLS or on the machine itself. */
export const keeper = (): ServiceWorker | null =>
  typeof navigator === 'undefined' ? null : (navigator.serviceWorker?.controller ?? null)

export const ask = (asked: Asked): void => keeper()?.postMessage(asked)
