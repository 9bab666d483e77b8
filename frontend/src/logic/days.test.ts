import { describe, expect, it } from 'vitest'
import { nextMonday } from './days'

describe('days', () => {
  it('finds the Monday of today or the next one, over the end of a month', () => {
    expect(nextMonday(new Date(2026, 2, 2, 8))).toBe('2026-03-02')
    expect(nextMonday(new Date(2026, 2, 3, 23, 59))).toBe('2026-03-09')
    expect(nextMonday(new Date(2026, 1, 28))).toBe('2026-03-02')
    expect(nextMonday(new Date(2026, 2, 8))).toBe('2026-03-09')
  })
})
