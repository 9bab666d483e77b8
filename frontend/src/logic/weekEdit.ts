import type { Schemas } from '@/api/client'

type Week = Pick<Schemas['WeekOut'], 'days'>
type Block = Schemas['BlockOut']
export type Edit = Omit<Schemas['WeekEdit'], 'version'>

/** A block of a week in its place: the day, 0 for Monday, and which of that day's. */
export interface Place {
  day: number
  at: number
}

function asKept(day: number, b: Block): Schemas['KeptIn'] {
  return { day, part: b.part, activity_id: b.activity_id, grade: b.grade, sets: b.sets, locked: b.locked }
}

function all(week: Week): { place: Place; block: Block }[] {
  return week.days.flatMap((d, day) => d.blocks.map((block, at) => ({ place: { day, at }, block })))
}

function others(week: Week, place: Place): Schemas['KeptIn'][] {
  return all(week)
    .filter(({ place: p }) => p.day !== place.day || p.at !== place.at)
    .map(({ place: p, block }) => asKept(p.day, block))
}

/** Another activity in its place: all the others stay. */
export function another(week: Week, place: Place): Edit {
  const block = week.days[place.day]?.blocks[place.at]
  return { kept: others(week, place), excluded: block ? [block.activity_id] : [] }
}

/** Taken out: the others stay, and a day that is empty then has no practice. */
export function without(week: Week, place: Place): Edit {
  const left = (week.days[place.day]?.blocks.length ?? 0) - 1
  return {
    kept: others(week, place),
    excluded: [],
    minutes_by_day: week.days.map((d, day) => (day === place.day && left < 1 ? 0 : d.available)),
  }
}

/** On another day, in exchange with what stands there; that day gets the minutes it needs. */
export function moved(week: Week, place: Place, to: number): Edit {
  const from = week.days[place.day]
  const there = week.days[to]
  const block = from?.blocks[place.at]
  if (!from || !there || !block || to === place.day) return { kept: others(week, place), excluded: [] }
  const kept = others(week, place).map((k) => (k.day === to ? { ...k, day: place.day } : k))
  return {
    kept: [...kept, asKept(to, block)],
    excluded: [],
    minutes_by_day: week.days.map((d, day) =>
      day === to ? Math.max(there.available, from.available) : day === place.day ? there.available : d.available,
    ),
  }
}

/** The rest planned again around the blocks that are kept. */
export function around(week: Week): Edit {
  return {
    kept: all(week)
      .filter(({ block }) => block.locked)
      .map(({ place, block }) => asKept(place.day, block)),
    excluded: [],
  }
}

/** A block kept, or no longer: the same week with that one changed. */
export function toggled(week: Week, place: Place): Edit {
  return {
    kept: all(week).map(({ place: p, block }) => {
      const here = p.day === place.day && p.at === place.at
      return { ...asKept(p.day, block), locked: here ? !block.locked : block.locked }
    }),
    excluded: [],
  }
}
