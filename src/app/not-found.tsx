export default function NotFound() {
  return (
    <main className="p-5">
      <h1 className="text-call font-semibold">This is not here.</h1>
      <p className="mt-2 text-lead text-ink-2">The car may belong to another shop, or the address was mistyped.</p>
      <a className="plain-button mt-6 inline-flex items-center" href="/board">
        To the board
      </a>
    </main>
  )
}
