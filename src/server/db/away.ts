/**
 * SQLSTATE classes of a server that cannot work now: connection, resources (a full disk), operator (shutting down),
 * system.
 */
const AWAY_CLASSES = ['08', '53', '57', '58']
/** A statement that ran too long or was cancelled is no absence. */
const NOT_AWAY = ['57014']
const AWAY_CODES = ['ECONNREFUSED', 'ECONNRESET', 'EPIPE', 'ETIMEDOUT', 'ENOTFOUND']
const AWAY_WORDS =
  /timeout exceeded when trying to connect|Connection terminated|Client has encountered a connection error/

/** True for an error that says that the database is not there or cannot work, rather than that a question was wrong. */
export function isAway(error: unknown): boolean {
  if (!(error instanceof Error)) return false
  const code = String((error as { code?: unknown }).code ?? '')
  if (code.length === 5 && !NOT_AWAY.includes(code) && AWAY_CLASSES.includes(code.slice(0, 2))) return true
  return AWAY_CODES.includes(code) || AWAY_WORDS.test(error.message)
}
