import { W } from '@/core/language/pages/not-found'
export default function NotFound() {
  return (
    <main className="p-5">
      <h1 className="text-call font-semibold">{W.thisIsNotHere}</h1>
      <p className="mt-2 text-lead text-ink-2">{W.theCarMayBelongTo}</p>
      <a className="plain-button mt-6 inline-flex items-center" href="/board">
        {W.toTheBoard}
      </a>
    </main>
  )
}
