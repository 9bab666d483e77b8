import type { Schemas } from '@/api/client'

export type Said = Schemas['SaidOut']
/** What of a profile a referral's words bear on. */
export type Ticked = Required<Pick<Schemas['NewChild'], 'wanted' | 'behind' | 'told'>>

export const keyOf = (said: Said): string => `${said.kind} ${said.id}`

export function isTicked(said: Said, now: Ticked): boolean {
  if (said.kind === 'wish') return now.wanted.includes(said.id)
  return said.kind === 'behind' ? now.behind.includes(said.id) : now.told[said.id] === said.rung
}

/** The profile with what was said taken for true, or not. */
export function ticked<T extends Ticked>(said: Said, now: T, on: boolean): T {
  const without = (list: string[]): string[] => list.filter((id) => id !== said.id)
  if (said.kind === 'wish') return { ...now, wanted: [...without(now.wanted), ...(on ? [said.id] : [])] }
  if (said.kind === 'behind') return { ...now, behind: [...without(now.behind), ...(on ? [said.id] : [])] }
  const others = Object.fromEntries(Object.entries(now.told).filter(([strand]) => strand !== said.id))
  return { ...now, told: on && said.rung !== null ? { ...others, [said.id]: said.rung } : others }
}

/** What stands in a profile of what was once said, and is not in the words any more. */
export function keptOnly(now: Ticked, read: Said[], strands: Schemas['StrandWords'][]): Said[] {
  const inWords = new Set(read.map(keyOf))
  const of = (id: string): Schemas['StrandWords'] | undefined => strands.find((s) => s.id === id)
  const one = (kind: Said['kind'], id: string, name: string, rung: number | null): Said => {
    return { kind, id, name, strand_name: of(id)?.name ?? id, words: '', rung }
  }
  const behind = now.behind.map((id) => one('behind', id, of(id)?.name ?? id, null))
  const told = Object.entries(now.told).map(([id, rung]) => {
    return one('told', id, of(id)?.rungs.find((r) => r.number === rung)?.words ?? `rung ${rung}`, rung)
  })
  return [...behind, ...told].filter((s) => !inWords.has(keyOf(s)))
}

/** What it comes to, in words. */
export function words(said: Said): string {
  if (said.kind === 'wish') return `Wish: ${said.name}`
  return said.kind === 'behind' ? `Starts behind: ${said.name}` : `${said.strand_name}, done: ${said.name}`
}
