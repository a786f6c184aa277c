import { z } from 'zod'

const Environment = z.object({
  DATABASE_URL: z.string().startsWith('postgres'),
  YPEROS_LOG: z.enum(['debug', 'info', 'warn', 'error', 'silent']).default('info'),
  YPEROS_INSECURE_COOKIE: z.enum(['0', '1']).default('1'),
})

let parsed: z.infer<typeof Environment> | undefined

/** The environment, read once; the start command sets it. Throws naming the variable that is missing or wrong. */
export function environment(): z.infer<typeof Environment> {
  if (!parsed) {
    const result = Environment.safeParse(process.env)
    if (!result.success) throw new Error(`environment: ${result.error.issues.map((i) => `${i.path.join('.')} ${i.message}`).join('; ')}`)
    parsed = result.data
  }
  return parsed
}
