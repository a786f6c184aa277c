import { SignOut } from '@/ui/frame/sign-out'

/** The way out by its own address: signed in or not, it leads to the sign-in. */
export default function SignOutPage() {
  return <SignOut />
}
