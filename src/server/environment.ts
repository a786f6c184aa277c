import * as z from 'zod'
import { LANGUAGES } from '@/core/language/spoken'

const Environment = z.object({
  DATABASE_URL: z.string().startsWith('postgres'),
  /** further names this server is reached by, separated by commas */
  YPEROS_HOSTS: z.string().default(''),
  /** addresses of proxies whose word for the sender's address is taken, separated by commas */
  YPEROS_PROXY: z.string().default(''),
  /** name of the cookie: two installations on one machine share its address, and must not share their sign-ins */
  YPEROS_COOKIE: z.string().min(1).default('yperos'),
  /**
   * `elsewhere`: what runs is watched by a process of its own (.build/src/web/watch-thread.mjs), not by the web
   * server
   */
  YPEROS_WATCH: z.enum(['here', 'elsewhere']).default('here'),
  /** file of the certificate of the shop's own authority; empty where no TLS is spoken */
  YPEROS_AUTHORITY: z.string().default(''),
  /** what is spoken: one language for all who work in a shop (core/language) */
  YPEROS_LANGUAGE: z.enum(LANGUAGES).default(LANGUAGES[0]),
  YPEROS_INSECURE_COOKIE: z.enum(['0', '1']).default('1'),
})

const LogLevel = z.enum(['debug', 'info', 'warn', 'error', 'silent']).default('info')

/** How much the log says: YPEROS_LOG, or `info`; needs no database, so commands without one can log too. */
export const logLevel = (): string => LogLevel.parse(process.env.YPEROS_LOG)

let parsed: z.infer<typeof Environment> | undefined

/** The environment, read once; the start command sets it. Throws naming the variable that is missing or wrong. */
export function environment(): z.infer<typeof Environment> {
  if (!parsed) {
    const result = Environment.safeParse(process.env)
    if (!result.success)
      throw new Error(`environment: ${result.error.issues.map((i) => `${i.path.join('.')} ${i.message}`).join('; ')}`)
    parsed = result.data
  }
  return parsed
}
