import type { Schemas } from '@/api/client'

export type Reach = Schemas['ReachOut']

/** Whether an activity answers every word of a search: its name, its group, what it trains or what it is done with. */
export function answers(r: Reach, search: string): boolean {
  const text = [r.name, r.group, r.strand_name, ...r.also, ...r.things, ...r.themes].join(' ').toLowerCase()
  return search.toLowerCase().split(/[\s,]+/).filter(Boolean).every((word) => text.includes(word.replace(/(es|s)$/, '')))
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

/** Most useful first: what can be done here nearest to 8 of 10, then what lacks least. */
export function byUse(a: Reach, b: Reach): number {
  const off = (r: Reach): number => (r.expected == null ? 9 : Math.abs(r.expected - 0.8))
  return off(a) - off(b) || b.offered / b.grades - a.offered / a.grades || a.name.localeCompare(b.name)
}
