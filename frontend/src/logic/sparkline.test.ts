import { describe, expect, it } from 'vitest'
import { sparkline } from './sparkline'

describe('sparkline', () => {
  it('runs from left to right, the lowest value at the bottom', () => {
    expect(sparkline([1, 3], 100, 40)).toBe('M5.0 35.0 L95.0 5.0')
  })

  it('is flat where nothing changed, and short for a single session', () => {
    expect(sparkline([2, 2], 100, 40)).toBe('M5.0 20.0 L95.0 20.0')
    expect(sparkline([7], 100, 40)).toBe('M42.0 20.0 h16')
  })
})
