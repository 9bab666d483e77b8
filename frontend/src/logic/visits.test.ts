import { describe, expect, it } from 'vitest'
import { byDay, shifted, timeWords, type Visit, weekOf } from './visits'

describe('days of the calendar', () => {
  it('a week begins on its Monday, whatever day is asked', () => {
    const week = ['2026-11-23', '2026-11-24', '2026-11-25', '2026-11-26', '2026-11-27', '2026-11-28', '2026-11-29']
    expect(weekOf('2026-11-26')).toEqual(week)
    expect(weekOf('2026-11-23')).toEqual(week)
    expect(weekOf('2026-11-29')).toEqual(week)
  })
  it('go on over a month, a year and a change of the clocks', () => {
    expect(shifted('2026-12-31', 1)).toBe('2027-01-01')
    expect(shifted('2026-03-29', 1)).toBe('2026-03-30')
    expect(shifted('2028-03-01', -1)).toBe('2028-02-29')
  })
})

describe('visits', () => {
  it('stand by day, in the order they came in', () => {
    const visit = (id: number, on: string): Visit => ({ id, on }) as Visit
    const days = byDay([visit(1, '2026-11-26'), visit(2, '2026-11-27'), visit(3, '2026-11-26')])
    expect(days.get('2026-11-26')?.map((v) => v.id)).toEqual([1, 3])
  })
  it('without an hour are some time that day', () => {
    expect([timeWords('09:30:00'), timeWords(null)]).toEqual(['09:30', 'some time'])
  })
})
