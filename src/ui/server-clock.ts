/** What is known of the server's clock: how far it is from this machine's, and by how much that may be wrong, ms. */
type Known = { offsetMs: number; doubtMs: number; atMs: number }

let known: Known | null = null

/** An estimate is let go of after this, ms: clocks drift, and a laptop's is set while it sleeps. */
const STALE_MS = 60_000
/** What a page's own figure is worth: rendering, the way here and the start of the page lie between, ms. */
export const PAGE_DOUBT_MS = 3000
/** What a message of the stream is worth: one way, ms. */
export const STREAM_DOUBT_MS = 200

/**
 * Learns the server's clock from a moment it told.
 * @param serverMs - its wall time, ms
 * @param sentMs - when it was asked, this machine's wall time; null where nobody asked
 * @param doubtMs - how wrong it may be where nobody asked
 */
export function learnServerTime(
  serverMs: number,
  sentMs: number | null,
  doubtMs = STREAM_DOUBT_MS,
  nowMs = Date.now(),
): void {
  const heard: Known =
    sentMs === null
      ? { offsetMs: serverMs - nowMs, doubtMs, atMs: nowMs }
      : { offsetMs: serverMs - (sentMs + nowMs) / 2, doubtMs: (nowMs - sentMs) / 2, atMs: nowMs }
  const worse = known !== null && heard.doubtMs > known.doubtMs && nowMs - known.atMs < STALE_MS
  // a clock that was set here or there is believed at once, however well it was known before
  const jumped = known !== null && Math.abs(heard.offsetMs - known.offsetMs) > heard.doubtMs + known.doubtMs
  if (!worse || jumped) known = heard
}

/** The server's wall time now, ms; this machine's while nothing is known. */
export const serverNow = (): number => Date.now() + (known?.offsetMs ?? 0)

/** Forgets what is known; for tests. */
export function forgetServerTime(): void {
  known = null
}
