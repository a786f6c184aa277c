import type { Role } from '../accounts/roles'

/** Sign-ins of the demo place; they are created with it and exist nowhere else. */
export const DEMO_SIGN_INS: readonly { signIn: string; name: string; role: Role; certificate: string; password: string }[] = [
  { signIn: 'maira', name: 'Maira Qolque', role: 'lead', certificate: 'CL-0417', password: 'cold-plateau-1' },
  { signIn: 'teo', name: 'Teo Brisal', role: 'technician', certificate: 'CL-0533', password: 'cold-plateau-2' },
  { signIn: 'anouk', name: 'Anouk Verrane', role: 'trainee', certificate: '', password: 'cold-plateau-3' },
]
