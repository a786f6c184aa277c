import pino from 'pino'
import { environment } from './environment'

/** The server's log, one JSON line each, on stderr. */
export const log = pino({ level: environment().YPEROS_LOG }, pino.destination(2))
