import { describe, expect, it } from 'vitest'
import {
  foldTaps,
  fromTable,
  clockWords,
  durationWords,
  gradeNow,
  handNow,
  isPaused,
  paceNow,
  restDue,
  type RunBlock,
  type RunEvent,
  secondsAtWork,
  secondsOfSet,
  suggestion,
  supportOfMiss,
  helpChoices,
  tallyOf,
  undone,
  timesAsked,
  whereLeft,
} from './tally'

const RULES = { asked_after: [2, 5], helped_share: 0.5, pace_tries: 3, pace_seconds: 5 }
const START = Date.parse('2026-03-02T09:00:00Z')
let number = 0

function event(kind: string, value: Record<string, unknown> = {}, second = number): RunEvent {
  number += 1
  return { id: `e${number}`, block: 'b0', kind, at: new Date(START + second * 1000).toISOString(), value } as RunEvent
}
const attempt = (outcome: string, support = 'alone', grade = [1, 0]): RunEvent =>
  event('try', { outcome, support, grade })

const block = {
  id: 'b0',
  grade: [1, 0],
  count: 4,
  grades: [
    [0, 0],
    [1, 0],
    [2, 0],
  ].map((grade) => ({ grade, words: [`grade ${grade[0]}`] })),
  says: [
    { tries: 2, successes: 0, most: 0, helped: false, kind: 'down', words: 'easier', at: 1, to: 0 },
    { tries: 2, successes: 0, most: 0, helped: false, kind: 'down', words: 'two easier', at: 2, to: 0 },
    { tries: 4, successes: 0, most: 1, helped: false, kind: 'down', words: 'easier still', at: 1, to: 0 },
    { tries: 4, successes: 4, most: 4, helped: false, kind: 'up', words: 'harder', at: 1, to: 2 },
    { tries: 4, successes: 4, most: 4, helped: true, kind: 'fade', words: 'less help', at: null, to: null },
  ],
} as unknown as RunBlock

describe('tally', () => {
  it('knows what is left: neither every try of it done nor skipped', () => {
    const blocks = [
      { ...block, sets: 1 },
      { ...block, id: 'b1', sets: 1 },
    ] as RunBlock[]
    const three = [attempt('success'), attempt('miss'), attempt('success')]
    expect(undone(blocks, foldTaps(three))).toBe(2)
    expect(undone(blocks, foldTaps([...three, attempt('success')]))).toBe(1)
    expect(undone(blocks, foldTaps([...three, event('skip')]))).toBe(1)
  })

  it('counts tries by how they went', () => {
    const events = [
      attempt('success'),
      attempt('success', 'touch'),
      attempt('miss'),
      event('drop'),
      event('hold', { seconds: 3.5 }),
      event('mark', { mark: 'tires' }),
    ]
    const tally = tallyOf(foldTaps(events), 'b0')
    expect(tally).toMatchObject({
      tries: 3,
      alone: 1,
      helped: 1,
      missed: 1,
      drops: 1,
      bestHold: 3.5,
      marks: { tires: 1 },
    })
    expect(tally.row).toEqual(['alone', 'helped', 'missed'])
  })

  it('leaves out what was taken back, whatever the order of arrival', () => {
    const wrong = attempt('miss')
    const undo = event('undo', { event: wrong.id })
    const right = attempt('success')
    expect(tallyOf(foldTaps([undo, right, wrong]), 'b0')).toMatchObject({ tries: 1, alone: 1, missed: 0 })
    expect(foldTaps([undo, right, wrong]).all).toEqual([right])
  })

  it('counts only its own block', () => {
    expect(tallyOf(foldTaps([{ ...attempt('success'), block: 'b1' }]), 'b0').tries).toBe(0)
  })

  it('stands at the grade chosen last, and back at the one before when that is undone', () => {
    const harder = event('grade', { grade: [2, 0] })
    expect(gradeNow(foldTaps([]), block)).toEqual([1, 0])
    expect(gradeNow(foldTaps([harder]), block)).toEqual([2, 0])
    expect(gradeNow(foldTaps([harder, event('undo', { event: harder.id })]), block)).toEqual([1, 0])
  })
})

describe('suggestion', () => {
  it('reads the core’s table for the set that is going on', () => {
    expect(suggestion(foldTaps([attempt('miss'), attempt('miss')]), block, RULES)?.kind).toBe('down')
    expect(suggestion(foldTaps(Array.from({ length: 4 }, () => attempt('success'))), block, RULES)?.kind).toBe('up')
    expect(
      suggestion(foldTaps(Array.from({ length: 4 }, () => attempt('success', 'spoken'))), block, RULES)?.kind,
    ).toBe('fade')
  })

  it('never calls a set alone in which a try had help', () => {
    const mixed = [attempt('success', 'spoken'), attempt('success'), attempt('success'), attempt('success')]
    expect(suggestion(foldTaps(mixed), block, RULES)?.kind).not.toBe('up')
    expect(
      suggestion(foldTaps([attempt('success', 'touch'), attempt('success', 'touch'), ...mixed.slice(2)]), block, RULES)
        ?.kind,
    ).toBe('fade')
  })

  it('starts anew with each set and with each grade', () => {
    const first = Array.from({ length: 4 }, () => attempt('success'))
    expect(suggestion(foldTaps([...first, attempt('miss'), attempt('miss')]), block, RULES)?.kind).toBe('down')
    const turned = [
      attempt('success'),
      event('grade', { grade: [2, 0] }),
      attempt('miss', 'alone', [2, 0]),
      attempt('miss', 'alone', [2, 0]),
    ]
    expect(suggestion(foldTaps(turned), block, RULES)?.kind).toBe('down')
  })

  it('speaks of the grade the tries were made at, from so many successes to so many', () => {
    const harder = [
      event('grade', { grade: [2, 0] }),
      attempt('miss', 'alone', [2, 0]),
      attempt('miss', 'alone', [2, 0]),
    ]
    expect(suggestion(foldTaps(harder), block, RULES)?.words).toBe('two easier')
    const one = [attempt('miss'), attempt('miss'), attempt('miss'), attempt('success')]
    expect(suggestion(foldTaps(one), block, RULES)?.words).toBe('easier still')
  })

  it('says without a network which grade to go to', () => {
    const up = suggestion(foldTaps(Array.from({ length: 4 }, () => attempt('success'))), block, RULES)
    expect(fromTable(block, up)).toEqual({ kind: 'up', grade: [2, 0], words: 'Today suits grade 2' })
    expect(fromTable(block, undefined)).toBeUndefined()
    expect(fromTable(block, { ...up!, to: null })).toBeUndefined()
  })

  it('is asked for after two and five tries and at the end of each set', () => {
    const asked = [0, 1, 2, 4, 5, 7, 8, 9, 10, 13, 16].map((tries) => timesAsked(tries, 8, RULES))
    expect(asked).toEqual([0, 0, 1, 1, 2, 2, 3, 3, 4, 5, 6])
    expect([1, 2, 3, 4].map((tries) => timesAsked(tries, 4, RULES))).toEqual([0, 1, 1, 2])
  })

  it('says nothing where the table says nothing', () => {
    expect(suggestion(foldTaps([]), block, RULES)).toBeUndefined()
    expect(suggestion(foldTaps([attempt('success')]), block, RULES)).toBeUndefined()
  })
})

describe('where a run was left', () => {
  const blocks = [{ id: 'b0' }, { id: 'b1' }, { id: 'b2' }]
  const on = (id: string, kind = 'try'): RunEvent => ({ ...event(kind), block: id })

  it('is the block of the last tap that stands, or the one after a skip', () => {
    expect(whereLeft(foldTaps([]), blocks)).toBe(0)
    expect(whereLeft(foldTaps([on('b0'), on('b1')]), blocks)).toBe(1)
    expect(whereLeft(foldTaps([on('b0'), on('b1', 'skip')]), blocks)).toBe(2)
    const wrong = on('b2')
    expect(whereLeft(foldTaps([on('b1'), wrong, { ...event('undo', { event: wrong.id }), block: 'b2' }]), blocks)).toBe(
      1,
    )
  })
})

describe('seconds at work', () => {
  it('takes pauses out, also one that still goes on', () => {
    const events = [event('try', {}, 0), event('pause', {}, 10), event('resume', {}, 40), event('pause', {}, 60)]
    expect(secondsAtWork(foldTaps(events), 'b0', START + 100_000)).toBe(30)
    expect(isPaused(foldTaps(events), 'b0')).toBe(true)
  })

  it('never shows less than nothing when the clock was set back', () => {
    expect(secondsAtWork(foldTaps([event('try', {}, 50)]), 'b0', START)).toBe(0)
    expect(secondsAtWork(foldTaps([]), 'b0', START)).toBe(0)
  })

  it('says seconds and minutes', () => {
    expect([clockWords(0), clockWords(65.9), durationWords(45), durationWords(125)]).toEqual([
      '0:00',
      '1:05',
      '45 s',
      '2 min 5 s',
    ])
  })
})

describe('the set under way', () => {
  const six = { ...block, count: 8, rest: { window: 3, slower_by: 1 / 3, words: 'rest' } } as RunBlock
  const at = (...seconds: number[]): RunEvent[] =>
    seconds.map((s) => event('try', { outcome: 'success', support: 'alone', grade: [1, 0] }, s))

  it('calls for a rest when the last gaps are a third longer than the first, as the core does', () => {
    expect(restDue(foldTaps(at(0, 3, 6, 9, 13, 17, 21)), six)).toBe(true)
    expect(restDue(foldTaps(at(0, 3, 6, 9, 13, 17, 20.9)), six)).toBe(false)
    expect(restDue(foldTaps(at(0, 1, 2, 3, 13, 23)), six)).toBe(false)
  })

  it('takes no pause for slowing down', () => {
    const paused = [...at(0, 3, 6, 9), event('pause', {}, 10), event('resume', {}, 40), ...at(42, 45, 48)]
    expect(restDue(foldTaps(paused), six)).toBe(false)
  })

  it('has a pace from the third try on, from its first try to its last', () => {
    expect(paceNow(foldTaps(at(0, 5)), six, RULES)).toBeNull()
    expect(paceNow(foldTaps(at(0, 5, 10)), six, RULES)).toBeCloseTo(18)
    expect(paceNow(foldTaps([...at(0, 1, 2, 3, 4, 5, 6, 7), ...at(100, 110, 120)]), six, RULES)).toBeCloseTo(9)
  })

  it('runs its own clock, pauses taken out', () => {
    const events = [...at(0, 5), event('pause', {}, 6), event('resume', {}, 16), ...at(18)]
    expect(secondsOfSet(foldTaps(events), six, START + 20_000)).toBe(10)
  })

  it('works with the hand last chosen, else with the one whose turn it is', () => {
    expect(handNow(foldTaps([]), { ...six, hand: 'left' })).toBe('left')
    expect(handNow(foldTaps([]), { ...six, hand: 'not_settled' })).toBe('right')
    expect(handNow(foldTaps([]), { ...six, hand: '' }, 'left')).toBe('left')
    expect(handNow(foldTaps([event('hand', { hand: 'right' })]), { ...six, hand: 'left' })).toBe('right')
  })

  it('sums holds and keeps the last reading of each measure', () => {
    const events = [
      event('hold', { seconds: 3 }),
      event('hold', { seconds: 4.5 }),
      event('measure', { measure: 'tokens', value: 3 }),
      event('measure', { measure: 'tokens', value: 5 }),
    ]
    expect(tallyOf(foldTaps(events), 'b0')).toMatchObject({ bestHold: 4.5, holdSum: 7.5, read: { tokens: 5 } })
  })
})

describe('what a tap is recorded as', () => {
  const supports = [{ id: 'alone' }, { id: 'spoken' }]

  it('is a failure alone where help comes after, and one with its help where help comes first', () => {
    expect([supportOfMiss(false, 'spoken'), supportOfMiss(true, 'spoken')]).toEqual(['alone', 'spoken'])
  })

  it('offers working alone among the levels of help only where help comes first', () => {
    expect(helpChoices(supports, false)).toEqual([{ id: 'spoken' }])
    expect(helpChoices(supports, true)).toEqual(supports)
  })
})
