import type { Role } from '@/core/shop/people'
import { AppError } from '../errors'
import type { Shop } from '../shop/shop'

/** Sign-ins of the demo place; they are created with it and exist nowhere else. */
export const DEMO_SIGN_INS: readonly {
  signIn: string
  name: string
  role: Role
  certificate: string
  password: string
}[] = [
  { signIn: 'maira', name: 'Maira Qolque', role: 'lead', certificate: 'CL-0417', password: 'cold-plateau-1' },
  { signIn: 'teo', name: 'Teo Brisal', role: 'technician', certificate: 'CL-0533', password: 'cold-plateau-2' },
  { signIn: 'anouk', name: 'Anouk Verrane', role: 'trainee', certificate: '', password: 'cold-plateau-3' },
]

/**
 * The demo's passwords are known to everybody, so they open nothing from another machine.
 * @throws AppError `not-allowed` with what to do instead
 */
export function refuseDemoPassword(shop: Shop, signIn: string, password: string): void {
  const known = DEMO_SIGN_INS.some((d) => d.signIn === signIn.trim().toLowerCase() && d.password === password)
  if (!known || !shop.demo) return
  throw new AppError(
    'not-allowed',
    'The demo’s passwords work on the machine it runs on only. There the lead makes an account with a password of ' +
      'its own, on the Shop page.',
  )
}
