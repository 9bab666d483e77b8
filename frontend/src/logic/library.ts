import type { Schemas } from '@/api/client'

export type Reach = Schemas['ReachOut']

/** Whether an activity answers every word of a search: its name, its group, what it trains or what it is done with. */
export function answers(r: Reach, search: string): boolean {
  const text = [r.name, r.group, r.strand_name, ...r.also, ...r.things, ...r.themes].join(' ').toLowerCase()
  return search
    .toLowerCase()
    .split(/[\s,]+/)
    .filter(Boolean)
    .every((word) => text.includes(word.replace(/(es|s)$/, '')))
}

export interface Filter {
  target?: string
  strand?: string
  rung?: number
  minutes?: number
}

/** Whether an activity has a grade at the rung asked for, trains the skill, and fits the minutes. */
export function fits(r: Reach, f: Filter): boolean {
  const reaches = f.strand ? r.reaches[f.strand] : undefined
  if (f.target && r.target !== f.target && !f.strand) return false
  if (f.strand && !reaches) return false
  if (f.rung != null && reaches && (reaches[0]! > f.rung + 0.5 || reaches[1]! < f.rung - 0.5)) return false
  return f.minutes == null || (r.minutes[0] ?? 0) <= f.minutes
}
