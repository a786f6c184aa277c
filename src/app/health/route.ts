import { GET as health } from '../api/health/route'

export const dynamic = 'force-dynamic'

/** The same as /api/health, by a short name. */
export const GET = health
