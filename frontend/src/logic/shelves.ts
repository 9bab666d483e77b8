import type { Schemas } from '@/api/client'

export type Shelf = Schemas['Shelf']

/** The shelves with only the things whose name has every word of a search, those that begin with it first. */
export function searched(shelves: readonly Shelf[], search: string): Shelf[] {
  const words = search.toLowerCase().split(/\s+/).filter(Boolean)
  if (!words.length) return [...shelves]
  const has = (name: string): boolean => words.every((w) => name.toLowerCase().includes(w.replace(/(es|s)$/, '')))
  const begins = (name: string): number => (name.toLowerCase().startsWith(words[0]!) ? 0 : 1)
  return shelves
    .map((s) => ({
      ...s,
      things: s.things.filter((t) => has(t.name)).sort((a, b) => begins(a.name) - begins(b.name)),
    }))
    .filter((s) => s.things.length)
}

/** The usual counts of the common things on these shelves that are not there yet. */
export function usual(shelves: readonly Shelf[], counts: Record<string, number>): Record<string, number> {
  const common = shelves.flatMap((s) => s.things).filter((t) => t.common && !counts[t.id])
  return Object.fromEntries(common.map((t) => [t.id, t.usual_count]))
}

/** What another home has and this one does not. */
export function missing(from: Record<string, number>, counts: Record<string, number>): Record<string, number> {
  return Object.fromEntries(Object.entries(from).filter(([id, n]) => n > 0 && !counts[id]))
}
