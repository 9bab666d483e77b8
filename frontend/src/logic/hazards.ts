import type { Schemas } from '@/api/client'

type Item = Schemas['ItemOut']

export interface Because {
  reason: string
  hit: Schemas['HitOut'] | undefined
  items: Item[]
}

/** Things that share their gravest reason, so that it is said once. */
export function byReason(items: Item[]): Because[] {
  const groups = new Map<string, Because>()
  for (const item of items) {
    const hit = item.verdict?.hits[0]
    const reason = hit?.reason ?? ''
    const group = groups.get(reason) ?? { reason, hit, items: [] }
    group.items.push(item)
    groups.set(reason, group)
  }
  return [...groups.values()].toSorted((a, b) => b.items.length - a.items.length)
}
