import { describe, expect, it } from 'vitest'
import { fits, found, indexed, likeness, moreLike, otherSkill, sorted, stem, type Reach } from './library'

const reach = (changes: Partial<Reach>): Reach =>
  ({
    activity_id: 'fence',
    name: 'Peg fence',
    group: 'pegs',
    target: 'strength',
    strand_name: 'Pinch strength',
    also: ['Crossing midline'],
    reaches: { pinch: [1, 4] },
    things: ['Common spring pegs', 'Egg box'],
    themes: ['boats'],
    does: 'Your child pinches a peg open and clips it on an edge.',
    work: 'resistance',
    where: 'table',
    company: 'adult',
    minutes: [2, 6],
    opens: 1,
    loved: false,
    liked: false,
    own: false,
    ...changes,
  }) as Reach
const fence = reach({})
const pour = reach({
  activity_id: 'pour',
  name: 'Fill the lock',
  group: 'wring and pour',
  target: 'daily',
  strand_name: 'Cutlery and pouring',
  also: [],
  reaches: { cutlery: [2, 5] },
  things: ['Small jug', 'Egg box'],
  themes: [],
  does: 'Your child pours from a jug into a cup.',
  work: 'spoon',
  opens: 4,
})
const all = [fence, pour]
const words = {
  fence: { said: 'Squeeze it wide open. Put it over the edge.', tasks: ['zip'] },
  pour: { said: 'Tip the jug slowly.', tasks: ['cutlery'] },
}
const index = indexed(all, words, { zip: 'Do own zip', cutlery: 'Eat with knife and fork' })
const names = (search: string): string[] => found(all, index, search).map((r) => r.activity_id)

describe('a search for ideas', () => {
  it('finds by what is in the hand, what is done, the skill, the task and the theme', () => {
    for (const search of ['spring pegs', 'squeezing', 'pinch', 'own zip', 'boat', 'PEG fence', 'midline'])
      expect(names(search), search).toEqual(['fence'])
    for (const search of ['jug', 'pouring', 'pours', 'tip it slowly'.slice(0, 3)])
      expect(names(search), search).toEqual(['pour'])
  })
  it('forgives a slip of the finger', () => {
    for (const search of ['sqeeze', 'pinhc', 'peggs']) expect(names(search)[0], search).toBe('fence')
    expect(names('pouer')[0]).toBe('pour')
  })
  it('finds while a word is still being typed', () => {
    expect(names('squ')).toEqual(['fence'])
  })
  it('wants every word, but for those that say nothing', () => {
    expect(names('egg box').sort()).toEqual(['fence', 'pour'])
    expect(names('I have the egg box, a jug')).toEqual(['pour'])
    expect(names('peg scissors')).toEqual([])
  })
  it('leaves everything as it stands for no words', () => {
    expect(names(' , ')).toEqual(['fence', 'pour'])
  })
  it('takes words to what they have in common', () => {
    expect(['squeeze', 'squeezes', 'squeezing'].map(stem)).toEqual(['squeez', 'squeez', 'squeez'])
    expect(stem('is')).toBe('is')
  })
})

describe('what is asked beside words', () => {
  it('lets through what no limit is set for', () => {
    expect(fits(fence, {})).toBe(true)
  })
  it('keeps to skill, rung, minutes, task, place, company and favourites', () => {
    expect(fits(fence, { strand: 'pinch', rung: 3 })).toBe(true)
    expect(fits(fence, { strand: 'pinch', rung: 6 })).toBe(false)
    expect(fits(fence, { strand: 'cutlery' })).toBe(false)
    expect(fits(fence, { target: 'daily' })).toBe(false)
    expect(fits(fence, { minutes: 1 })).toBe(false)
    expect(fits(fence, { task: 'zip', where: 'table', company: 'adult' }, words)).toBe(true)
    expect(fits(fence, { where: 'floor' })).toBe(false)
    expect(fits(fence, { company: 'partner' })).toBe(false)
    expect(fits(fence, { only: 'loved' })).toBe(false)
    expect(fits(reach({ loved: true }), { only: 'loved' })).toBe(true)
  })
})

describe('more like this', () => {
  const chain = reach({ activity_id: 'chain', name: 'Clip chain', things: ['Common spring pegs'] })
  it('is the same skill and kind first', () => {
    expect(likeness(fence, chain)).toBeGreaterThan(likeness(fence, pour))
    expect(moreLike(fence, [...all, chain]).map((r) => r.activity_id)).toEqual(['chain'])
  })
  it('and with the same thing, another skill', () => {
    expect(otherSkill(fence, [...all, chain]).map((r) => r.activity_id)).toEqual(['pour'])
  })
  it('is sorted as asked', () => {
    expect(sorted(all, 'opens').map((r) => r.activity_id)).toEqual(['pour', 'fence'])
    expect(sorted(all, 'name').map((r) => r.activity_id)).toEqual(['pour', 'fence'])
    expect(sorted(all, 'nearest')).toBe(all)
  })
})
