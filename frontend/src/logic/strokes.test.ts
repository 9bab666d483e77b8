import { expect, it } from 'vitest'
import { strokeMiddle, strokePath } from './strokes'

it('draws a straight piece as a line and an arc piece as half a circle, either way round', () => {
  const ends = { x1: 0, y1: 0, x2: 0, y2: 50 }
  expect(strokePath({ ...ends, radius: 0, clockwise: false })).toBe('M0 0 L0 50')
  expect(strokePath({ ...ends, radius: 25, clockwise: true })).toBe('M0 0 A25 25 0 0 1 0 50')
  expect(strokePath({ ...ends, radius: 25, clockwise: false })).toBe('M0 0 A25 25 0 0 0 0 50')
})

it('finds the middle of a piece: halfway along a line, the crown of an arc', () => {
  const ends = { x1: 0, y1: 0, x2: 0, y2: 50 }
  expect(strokeMiddle({ ...ends, radius: 0, clockwise: false })).toEqual({ x: 0, y: 25 })
  expect(strokeMiddle({ ...ends, radius: 25, clockwise: true })).toEqual({ x: 25, y: 25 })
  expect(strokeMiddle({ ...ends, radius: 25, clockwise: false })).toEqual({ x: -25, y: 25 })
})
