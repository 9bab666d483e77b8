import { describe, expect, it } from 'vitest'
import { lead } from './lead'
import type { RunBlock, Tally } from './tally'

const block = {
  say: '“Pinch and pull”',
  do_first: '',
  setup: 'Bowl on the left side.',
  cues: [{ support: 'shown', support_words: 'shown', words: 'Pull one free' }],
  told: { counts_when: 'The thing is out.' },
  count: 4,
  sets: 2,
  unit: 'finds',
  tidy: 'Roll the dough back.',
} as RunBlock
const after = (tries: number): Tally => ({ tries }) as Tally

describe('leading somebody through a block', () => {
  it('starts with setting out, the cue and the count', () => {
    expect(lead(block, after(0))).toEqual([
      'Set out: Bowl on the left side.',
      'Show: Pull one free',
      'Say: “Pinch and pull”',
      'Count 4 finds. It counts when: The thing is out. After each try press how it went.',
    ])
  })

  it('says what to do first where most help comes first, and what to say after', () => {
    expect(lead({ ...block, do_first: 'Hold the edge still' }, after(0)).slice(1, 3)).toEqual([
      'Do: Hold the edge still',
      'Say: “Pinch and pull”',
    ])
  })

  it('says what the table says, else the cue', () => {
    expect(lead(block, after(2), { words: 'Two misses at the start: make it easier, steady it.' } as never)).toEqual([
      'Two misses at the start: make it easier, steady it.',
    ])
    expect(lead(block, after(1))).toEqual(['Wait, then say: “Pinch and pull”'])
  })

  it('ends a set, then the activity', () => {
    expect(lead(block, after(4)).at(-1)).toContain('Set 1 of 2 is done')
    expect(lead(block, after(8)).at(-1)).toBe('This activity is done. Tidy: Roll the dough back.')
  })
})
