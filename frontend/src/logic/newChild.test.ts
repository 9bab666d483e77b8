import { describe, expect, it } from 'vitest'
import { emptyChild, isoToday } from './newChild'

describe('the form of a new child', () => {
  it('has a number of its own each time it is begun', () => {
    expect(emptyChild().request).not.toBe(emptyChild().request)
  })

  it('fills in no answer about safety', () => {
    expect(emptyChild().mouthing).toBe('')
  })
})

describe('today, as a field writes it', () => {
  it('is the day where the device is, not in Greenwich', () => {
    expect(isoToday(new Date(2026, 0, 5, 23, 59))).toBe('2026-01-05')
    expect(isoToday(new Date(2026, 11, 31, 0, 1))).toBe('2026-12-31')
  })
})
