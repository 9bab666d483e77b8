import { describe, expect, it } from 'vitest'
import { missing, searched, type Shelf, usual } from './shelves'

const thing = (id: string, name: string, common = false, usual_count = 1): Shelf['things'][number] => ({
  id,
  name,
  common,
  usual_count,
  picture: '',
})
const shelves: Shelf[] = [
  {
    id: 'kitchen',
    name: 'Kitchen',
    things: [thing('wooden_spoon', 'Wooden spoon', true), thing('dinner_spoon', 'Spoons', true, 6)],
  },
  { id: 'craft', name: 'Craft', things: [thing('peg', 'Mini wooden pegs', false, 20)] },
]
const ids = (found: Shelf[]): string[] => found.flatMap((s) => s.things.map((t) => t.id))

describe('a search over the shelves', () => {
  it('takes every word, in any order, and plurals for singulars', () => {
    expect(ids(searched(shelves, 'spoons'))).toEqual(['dinner_spoon', 'wooden_spoon'])
    expect(ids(searched(shelves, 'peg wooden'))).toEqual(['peg'])
  })
  it('leaves empty shelves away and shows everything for nothing', () => {
    expect(searched(shelves, 'wooden peg').map((s) => s.id)).toEqual(['craft'])
    expect(searched(shelves, '  ')).toEqual(shelves)
    expect(searched(shelves, 'anvil')).toEqual([])
  })
})

describe('starts', () => {
  it('take the common things with their usual counts, and leave what is there', () => {
    expect(usual(shelves, { wooden_spoon: 3 })).toEqual({ dinner_spoon: 6 })
  })
  it('copy what another home has, never over a count of this one', () => {
    expect(missing({ peg: 8, wooden_spoon: 9, cork: 0 }, { wooden_spoon: 1 })).toEqual({ peg: 8 })
  })
})
