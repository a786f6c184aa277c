import pg from 'pg'
import { environment } from '../environment'
import { CHANGE_CHANNEL, type Change } from '../jobs/notify'
import { log } from '../log'

type Listener = (change: Change | 'reconnected') => void

/** One LISTEN connection per web server, shared by all its streams. */
class Hub {
  private readonly listeners = new Set<Listener>()
  private started = false

  /** Calls `listener` on each change of any job until the returned function is called. */
  subscribe(listener: Listener): () => void {
    this.listeners.add(listener)
    if (!this.started) {
      this.started = true
      void this.connect()
    }
    return () => this.listeners.delete(listener)
  }

  private async connect(): Promise<void> {
    const client = new pg.Client({
      connectionString: environment().DATABASE_URL,
      application_name: 'yperos live',
      // a line that is taken up and never answered, as behind a database that was just killed, is given up
      connectionTimeoutMillis: 5000,
    })
    let lost = false
    // a line that breaks says so twice, by an event and by the question it was asked: one takes its place, not two
    const again = (error: unknown) => {
      if (lost) return
      lost = true
      log.warn({ err: error }, 'live connection lost or refused, trying again')
      void client.end().catch(() => undefined)
      setTimeout(() => void this.connect(), 500)
    }
    client.on('error', again)
    client.on('notification', (message) => this.tell(JSON.parse(message.payload ?? '{}') as Change))
    try {
      await client.connect()
      await client.query(`listen ${CHANGE_CHANNEL}`)
      // whatever happened while the line was down is fetched by each stream from where it was
      this.tell('reconnected')
    } catch (error) {
      again(error)
    }
  }

  private tell(change: Change | 'reconnected'): void {
    for (const listener of this.listeners) listener(change)
  }
}

const shared = globalThis as unknown as { yperosHub?: Hub }

export function hub(): Hub {
  shared.yperosHub ??= new Hub()
  return shared.yperosHub
}
