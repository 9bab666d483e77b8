import { describe, expect, it } from 'vitest'
import { another, around, moved, toggled, without } from './weekEdit'

const block = (activity_id: string, locked = false) => ({
  part: 'main',
  activity_id,
  grade: [0, 1],
  sets: 2,
  locked,
})
const day = (available: number, ...blocks: ReturnType<typeof block>[]) => ({ available, blocks })
// Only what an edit reads of a week.
const week = {
  days: [day(10, block('a')), day(20, block('b', true)), day(0), day(15, block('c'), block('d'))],
} as unknown as Parameters<typeof another>[0]

const stays = (edit: ReturnType<typeof another>) => (edit.kept ?? []).map((k) => `${k.activity_id}${k.day}`).sort()

describe('editing a week', () => {
  it('asks for another activity and keeps all the others', () => {
    const edit = another(week, { day: 0, at: 0 })
    expect(stays(edit)).toEqual(['b1', 'c3', 'd3'])
    expect(edit.excluded).toEqual(['a'])
  })

  it('takes one out, and the day has no practice once it is empty', () => {
    expect(without(week, { day: 0, at: 0 }).minutes_by_day).toEqual([0, 20, 0, 15])
    expect(without(week, { day: 3, at: 1 }).minutes_by_day).toEqual([10, 20, 0, 15])
    expect(stays(without(week, { day: 3, at: 1 }))).toEqual(['a0', 'b1', 'c3'])
  })

  it('moves one to a free day with its minutes, or in exchange with what stands there', () => {
    const free = moved(week, { day: 0, at: 0 }, 2)
    expect(stays(free)).toEqual(['a2', 'b1', 'c3', 'd3'])
    expect(free.minutes_by_day).toEqual([0, 20, 10, 15])
    expect(stays(moved(week, { day: 0, at: 0 }, 1))).toEqual(['a1', 'b0', 'c3', 'd3'])
  })

  it('plans the rest around what is kept', () => {
    expect(stays(around(week))).toEqual(['b1'])
    expect(toggled(week, { day: 0, at: 0 }).kept?.map((k) => k.locked)).toEqual([true, true, false, false])
  })
})
