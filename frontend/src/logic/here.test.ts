import { expect, test } from 'vitest'
import { guessedHere } from './here'

test('paper follows the first language that names a place', () => {
  expect(guessedHere(['en-US', 'nb-NO'], 'America/Chicago')).toEqual({
    time_zone: 'America/Chicago',
    paper: 'Letter',
    units: 'inch',
  })
  expect(guessedHere(['en', 'nb-NO'], 'Europe/Oslo').paper).toBe('A4')
  expect(guessedHere(['en'], '')).toEqual({ time_zone: 'UTC', paper: 'A4', units: 'mm' })
})
