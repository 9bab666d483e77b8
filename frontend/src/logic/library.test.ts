import { describe, expect, it } from 'vitest'
import { answers, fits, type Reach } from './library'

const reach = (changes: Partial<Reach>): Reach =>
  ({
    name: 'Peg fence',
    group: 'clip and squeeze',
    strand_name: 'Pinch strength',
    also: ['Crossing midline'],
    things: ['Common spring pegs', 'Egg box'],
    themes: ['boats'],
    ...changes,
  }) as Reach

describe('a search in the library', () => {
  it('looks at name, group, skill, things and themes, every word of it', () => {
    for (const words of ['fence', 'squeeze', 'midline', 'egg boxes', 'boat peg', 'PINCH'])
      expect(answers(reach({}), words), words).toBe(true)
    expect(answers(reach({}), 'peg scissors')).toBe(false)
  })
  it('finds everything for nothing', () => {
    expect(answers(reach({}), ' , ')).toBe(true)
  })
  it('lets through what no limit is set for', () => {
    expect(fits(reach({}), {})).toBe(true)
  })
})
