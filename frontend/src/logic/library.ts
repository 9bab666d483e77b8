import MiniSearch from 'minisearch'
import type { Schemas } from '@/api/client'

export type Reach = Schemas['ReachOut']
/** By activity: everything it says of what is done, and the wanted tasks it serves. */
export type Found = Record<string, Schemas['ActivityWords']>

/** A word as it is looked for: without what plurals and verbs end on. */
export function stem(word: string): string {
  const plain = word.toLowerCase()
  const cut = plain.replace(/(ing|ies|es|ed|s|e|y)$/, '')
  return cut.length >= 3 ? cut : plain
}

/** Everything an activity can be found by, most telling first. */
export function indexed(reaches: Reach[], words: Found, taskNames: Record<string, string>): MiniSearch<Reach> {
  const index = new MiniSearch<Reach>({
    idField: 'activity_id',
    fields: ['name', 'things', 'does', 'skills', 'group', 'themes', 'tasks', 'said'],
    extractField: (reach, field) => {
      if (field === 'skills') return [reach.strand_name, ...reach.also].join(' ')
      const said = words[reach.activity_id]
      if (field === 'tasks') return (said?.tasks ?? []).map((t) => taskNames[t] ?? '').join(' ')
      if (field === 'said') return said?.said ?? ''
      const value = reach[field as keyof Reach]
      return Array.isArray(value) ? value.join(' ') : String(value)
    },
    processTerm: (term) => stem(term) || null,
    searchOptions: {
      boost: { name: 5, things: 3, does: 3, skills: 2, group: 2 },
      prefix: (term) => term.length > 2,
      combineWith: 'AND',
    },
  })
  index.addAll(reaches)
  return index
}

/** How many letters may be wrong where nothing is found as it is written: two change places now and then. */
const SLIPS = (letters: number): number => (letters > 4 ? 2 : letters > 3 ? 1 : 0)
const FILLERS = new Set(['a', 'an', 'and', 'the', 'with', 'of', 'for', 'to', 'in', 'on', 'i', 'have', 'my'])

/** The activities that answer every word of a search, the best first; all of them, as they stand, for no words. */
export function found(reaches: Reach[], index: MiniSearch<Reach>, search: string): Reach[] {
  const words = search.split(/[\s,]+/).filter((w) => w && !FILLERS.has(w.toLowerCase()))
  if (!words.length) return reaches
  const exact = index.search(words.join(' '))
  const hits = exact.length ? exact : index.search(words.join(' '), { fuzzy: (term) => SLIPS(term.length) })
  const rank = new Map(hits.map((r, i) => [String(r.id), i]))
  return reaches
    .filter((r) => rank.has(r.activity_id))
    .sort((a, b) => rank.get(a.activity_id)! - rank.get(b.activity_id)!)
}

export interface Filter {
  target?: string
  strand?: string
  rung?: number
  minutes?: number
  task?: string
  where?: string
  company?: string
  only?: string
}

/** Whether an activity has a grade at the rung asked for, trains the skill, and fits what else was asked. */
export function fits(r: Reach, f: Filter, words: Found = {}): boolean {
  const reaches = f.strand ? r.reaches[f.strand] : undefined
  if (f.target && r.target !== f.target && !f.strand) return false
  if (f.strand && !reaches) return false
  if (f.rung != null && reaches && (reaches[0]! > f.rung + 0.5 || reaches[1]! < f.rung - 0.5)) return false
  if (f.task && !words[r.activity_id]?.tasks.includes(f.task)) return false
  if (f.where && r.where !== f.where) return false
  if (f.company && r.company !== f.company) return false
  if (f.only === 'loved' && !r.loved) return false
  if (f.only === 'liked' && !r.liked) return false
  if (f.only === 'own' && !r.own) return false
  return f.minutes == null || (r.minutes[0] ?? 0) <= f.minutes
}

const shared = (a: string[], b: string[]): number => a.filter((x) => b.includes(x)).length
const skills = (r: Reach): string[] => Object.keys(r.reaches)

/** How much alike two activities are to do: skills before kind of work, that before things. */
export function likeness(a: Reach, b: Reach): number {
  const both = shared(skills(a), skills(b))
  return (
    2 * (both / Math.max(skills(a).length, skills(b).length)) +
    (a.group === b.group ? 1 : 0) +
    (a.work === b.work ? 0.5 : 0) +
    0.1 * Math.min(shared(a.things, b.things), 5)
  )
}

/** The activities most like one, at the most so many. */
export function moreLike(one: Reach, all: Reach[], most = 8): Reach[] {
  return all
    .filter((r) => r.activity_id !== one.activity_id && likeness(one, r) >= 1)
    .sort((a, b) => likeness(one, b) - likeness(one, a))
    .slice(0, most)
}

/** Activities done with the same things that train another target. */
export function otherSkill(one: Reach, all: Reach[], most = 8): Reach[] {
  return all
    .filter((r) => r.target !== one.target && shared(r.things, one.things) > 0)
    .sort((a, b) => shared(b.things, one.things) - shared(a.things, one.things))
    .slice(0, most)
}

export const SORTS = {
  nearest: 'nearest to 8 of 10',
  opens: 'one more thing unlocks most',
  name: 'by name',
} as const
export type Sort = keyof typeof SORTS

/** Rows in the order asked for; nearest is the order the server sends. */
export function sorted(rows: Reach[], by: Sort): Reach[] {
  if (by === 'opens') return [...rows].sort((a, b) => b.opens - a.opens)
  if (by === 'name') return [...rows].sort((a, b) => a.name.localeCompare(b.name))
  return rows
}
