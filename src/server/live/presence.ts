/** Who has which car's page open, by account; one person with two pages counts once. */
const shared = globalThis as unknown as { yperosPresence?: Map<string, Map<string, { name: string; pages: number }>> }

function presence(): Map<string, Map<string, { name: string; pages: number }>> {
  shared.yperosPresence ??= new Map()
  return shared.yperosPresence
}

/** Names of who has a car's page open on this server now. */
export const hereAt = (jobId: string): string[] =>
  [...(presence().get(jobId)?.values() ?? [])].map((p) => p.name).sort((a, b) => a.localeCompare(b))

/**
 * Somebody opened a car's page. @param changed - called when who is here changed, by coming and by going
 * @returns what says that the page was closed
 */
export function come(jobId: string, user: { id: string; name: string }, changed: () => void): () => void {
  const here = presence().get(jobId) ?? new Map<string, { name: string; pages: number }>()
  presence().set(jobId, here)
  const own = here.get(user.id)
  here.set(user.id, { name: user.name, pages: (own?.pages ?? 0) + 1 })
  if (!own) changed()
  let gone = false
  return () => {
    if (gone) return
    gone = true
    const left = (here.get(user.id)?.pages ?? 1) - 1
    if (left > 0) {
      here.set(user.id, { name: user.name, pages: left })
      return
    }
    here.delete(user.id)
    if (here.size === 0) presence().delete(jobId)
    changed()
  }
}
