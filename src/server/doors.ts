/**
 * Who may come in by a door: nobody signed in, a device with its token, the shop's own bench, or whoever is signed in
 * from
 * a trainee, a technician or the lead on.
 */
export type Who = 'nobody' | 'instrument' | 'bench' | 'trainee' | 'technician' | 'lead'
export type Door = { path: string; methods: readonly ('GET' | 'POST')[]; who: Who; why?: string }

const get = (path: string, who: Who = 'trainee', why?: string): Door => ({
  path,
  methods: ['GET'],
  who,
  ...(why && { why }),
})
const post = (path: string, who: Who = 'trainee', why?: string): Door => ({
  path,
  methods: ['POST'],
  who,
  ...(why && { why }),
})
const both = (path: string): Door => ({ path, methods: ['GET', 'POST'], who: 'trainee' })

/**
 * Every door of the application: pages and route handlers as the file tree has them, and the one the web server takes
 * itself. A test fails where a handler is new and not here, and where somebody comes in by one who may not. What a role
 * may do behind a door is asked of its rights (`accounts/roles.ts`).
 */
export const DOORS: readonly Door[] = [
  get('/', 'nobody', 'leads to the board or the sign-in'),
  get('/sign-in', 'nobody', 'the sign-in itself'),
  get('/setup', 'nobody', 'the first person of an empty shop; closed once it is open'),
  get('/offline', 'nobody', 'says what is kept on the device that asks; nothing of the shop'),
  get('/manifest.webmanifest', 'nobody', 'how a phone shows the application among its own'),
  get('/sw.js', 'nobody', 'the service worker: scripts only'),
  get('/invite/[token]', 'nobody', 'a link that was sent, once, for three days'),
  get('/calendar/[secret]', 'nobody', 'somebody’s own days for a calendar, by a secret that can be withdrawn'),
  get('/sign-out', 'nobody', 'the way out: a button'),
  get('/sums', 'nobody', 'arithmetic that needs no job; the open cars only for whoever is signed in'),
  get('/check', 'nobody', 'checks a record in the browser; nothing is sent, nothing of the shop shown'),
  get('/health', 'nobody', 'the same as /api/health, by a short name'),
  get('/authority', 'nobody', 'the certificate of the shop’s own authority, which is public'),
  get('/board'),
  get('/job/new'),
  get('/job/[jobId]'),
  get('/job/[jobId]/label'),
  get('/job/[jobId]/record'),
  get('/records'),
  get('/records/beside'),
  get('/cars'),
  get('/fleet'),
  get('/cars/[carId]'),
  get('/import', 'technician'),
  get('/judge'),
  get('/people'),
  get('/statement'),
  get('/ledger'),
  get('/me'),
  get('/rig-room'),
  get('/rig-room/[equipmentId]'),
  get('/shop', 'lead'),
  get('/wall'),
  get('/api/health', 'nobody', 'whether it works, for whoever watches over it'),
  get('/api/session', 'nobody', 'whether one is signed in'),
  post('/api/sign-in', 'nobody', 'the sign-in itself, slowed down by name and address'),
  post('/api/setup', 'nobody', 'refused once a shop is open'),
  post('/api/invite', 'nobody', 'with a link that was sent, once'),
  post('/api/sign-out', 'nobody', 'ends the session of whoever asks, and no other'),
  post('/api/ingest', 'instrument'),
  get('/api/bench/feed', 'bench'),
  post('/api/bench/trouble', 'bench'),
  get('/api/bench/scenarios'),
  get('/api/alarms/live'),
  get('/api/board/live'),
  post('/api/cars/[carId]'),
  post('/api/column-mappings'),
  both('/api/day'),
  both('/api/day/calendar'),
  post('/api/import', 'technician'),
  post('/api/import/record', 'lead'),
  get('/api/instruments'),
  post('/api/instruments', 'lead'),
  post('/api/jobs'),
  post('/api/jobs/[jobId]/bench'),
  both('/api/jobs/[jobId]/events'),
  post('/api/jobs/[jobId]/hold-end'),
  post('/api/jobs/[jobId]/hold-file'),
  post('/api/jobs/[jobId]/instruments'),
  get('/api/jobs/[jobId]/live'),
  post('/api/jobs/[jobId]/nod'),
  post('/api/jobs/[jobId]/photos'),
  get('/api/jobs/[jobId]/photos/[photoId]'),
  both('/api/jobs/[jobId]/readings'),
  get('/api/jobs/[jobId]/readings.csv'),
  get('/api/jobs/[jobId]/certificate.pdf'),
  get('/api/jobs/[jobId]/record.json'),
  post('/api/jobs/[jobId]/sign', 'technician'),
  post('/api/ledger'),
  get('/api/ledger.csv'),
  post('/api/password'),
  post('/api/rig-room'),
  get('/api/records.csv'),
  get('/api/records.zip'),
  get('/api/rigs'),
  post('/api/shop', 'lead'),
  get('/api/statement.csv'),
  post('/api/units'),
]
