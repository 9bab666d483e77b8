// @vitest-environment happy-dom
import { describe, expect, it } from 'vitest'
import { computed, ref, shallowRef } from 'vue'
import type { RunAtTable } from './useRun'
import { useRunBlock } from './useRunBlock'
import { foldTaps, type RunEvent } from '@/logic/tally'

const BLOCK = {
  id: 'b0',
  grade: [1],
  count: 2,
  grades: [
    { grade: [0], words: [] },
    { grade: [1], words: [] },
  ],
  says: [],
  told: { grip: 'tripod' },
}

/** A table that takes taps as a tablet does, without one. */
function table(more: object = {}): RunAtTable {
  const events = ref<RunEvent[]>([])
  return {
    run: shallowRef({ hand: 'left', help_first: false, blocks: [BLOCK], ...more }),
    events,
    taps: computed(() => foldTaps(events.value)),
    tap: (block: string, kind: string, value = {}) => {
      const n = events.value.length
      events.value = [
        ...events.value,
        { id: `e${n}`, block, kind, value, at: `2026-03-02T09:00:${10 + n}Z` } as RunEvent,
      ]
    },
  } as unknown as RunAtTable
}

describe('a block at the table', () => {
  it('counts a try with the grade, the hand and the help of the moment', () => {
    const at = table()
    const { took, inSet, tally, turn, help } = useRunBlock(at, ref(0))
    took.alone()
    turn(-1)
    help.value = 'touch'
    took.helped()
    expect(at.events.value.at(-1)!.value).toMatchObject({ grade: [0], hand: 'left', support: 'touch' })
    expect([inSet.value, tally.value.alone, tally.value.helped]).toEqual([2, 1, 1])
    took.missed()
    expect(inSet.value).toBe(1)
  })

  it('puts a miss under least help first down to working alone, under most help first to the help it had', () => {
    for (const [help_first, support] of [
      [false, 'alone'],
      [true, 'spoken'],
    ] as const) {
      const at = table({ help_first })
      useRunBlock(at, ref(0)).took.missed()
      expect(at.events.value.at(-1)!.value).toMatchObject({ outcome: 'miss', support })
    }
  })

  it('counts nothing while the activity is paused, and turns no further than the ladder goes', () => {
    const at = table()
    const { took, turn, paused } = useRunBlock(at, ref(0))
    turn(1)
    expect(at.events.value).toHaveLength(0)
    at.tap('b0', 'pause')
    expect(paused.value).toBe(true)
    took.alone()
    expect(at.events.value).toHaveLength(1)
  })

  it('has something to show before the run is open', () => {
    const at = { ...table(), run: shallowRef(undefined) }
    const { block, inSet, hand, grade, rest, said } = useRunBlock(at, ref(0))
    expect([block.value, inSet.value, hand.value, grade.value, rest.value, said.value]).toEqual([
      undefined,
      0,
      'right',
      [],
      undefined,
      undefined,
    ])
  })
})
