import { describe, expect, it } from 'vitest'
import { matching, stepped, type Command } from './palette'

const command = (words: string, also = '', hint = ''): Command => ({
  id: words,
  words,
  also,
  hint,
  run: () => undefined,
})
const all = [
  command('Children', 'caseload list'),
  command('New child', 'add'),
  command('Ansel', '', '4 y 10 m, Lock cottage'),
  command('Plan a session for Ansel', 'session'),
]
const words = (typed: string): string[] => matching(all, typed).map((c) => c.words)

describe('the palette', () => {
  it('offers everything in its order for nothing typed', () => {
    expect(words('')).toHaveLength(4)
  })
  it('puts what begins with it first', () => {
    expect(words('ch')).toEqual(['Children', 'New child'])
    expect(words('ansel')).toEqual(['Ansel', 'Plan a session for Ansel'])
  })
  it('wants every word, in the words, the hint or what else it answers to', () => {
    expect(words('ansel session')).toEqual(['Plan a session for Ansel'])
    expect(words('lock')).toEqual(['Ansel'])
    expect(words('add')).toEqual(['New child'])
    expect(words('nobody')).toEqual([])
  })
  it('shows no more than fit', () => {
    expect(matching(all, '', 2)).toHaveLength(2)
  })
  it('goes round the ends of the list', () => {
    expect([stepped(0, 1, 3), stepped(2, 1, 3), stepped(0, -1, 3), stepped(0, 1, 0)]).toEqual([1, 0, 2, 0])
  })
})
