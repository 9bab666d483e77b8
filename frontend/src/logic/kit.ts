import type { Schemas } from '@/api/client'

export interface KitLine {
  name: string
  wanted: number
  short: boolean
}

/** What to bring to the table: used again counts once at its most, used up is summed. */
export function kitOf(blocks: Schemas['BlockOut'][]): KitLine[] {
  const lines = new Map<string, KitLine>()
  for (const q of blocks.flatMap((b) => b.quantities)) {
    const line = lines.get(q.material) ?? { name: q.name, wanted: 0, short: false }
    line.wanted = q.single_use ? line.wanted + q.wanted : Math.max(line.wanted, q.wanted)
    line.short = line.wanted > q.have
    lines.set(q.material, line)
  }
  return [...lines.values()].toSorted((a, b) => a.name.localeCompare(b.name))
}
