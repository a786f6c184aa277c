import pino from 'pino'
import { logLevel } from './environment'

/** The server's log, one JSON line each, on stderr. */
export const log = pino({ level: logLevel() }, pino.destination(2))
