import { describe, expect, it } from 'vitest'
import { isTicked, keptOnly, type Said, ticked, words } from './said'

const NOTHING = { wanted: ['zip'], behind: [], told: {} }
const said = (more: Partial<Said>): Said => ({
  kind: 'wish',
  id: 'buttons',
  name: 'Do own buttons',
  strand_name: '',
  words: 'can’t do buttons',
  rung: null,
  ...more,
})

describe('what was said of a child', () => {
  it('puts a wish last, and takes it away again', () => {
    const now = ticked(said({}), NOTHING, true)
    expect(now.wanted).toEqual(['zip', 'buttons'])
    expect(isTicked(said({}), now)).toBe(true)
    expect(ticked(said({}), now, false)).toEqual(NOTHING)
  })

  it('keeps a rung others say is done, and only that rung is ticked', () => {
    const told = said({ kind: 'told', id: 'cutting', name: 'snips', strand_name: 'Cutting', rung: 3 })
    const now = ticked(told, NOTHING, true)
    expect(now.told).toEqual({ cutting: 3 })
    expect(isTicked({ ...told, rung: 5 }, now)).toBe(false)
    expect(ticked(told, now, false).told).toEqual({})
  })

  it('still shows what is kept where the words are gone', () => {
    const strands = [
      {
        id: 'cutting',
        target: 'scissors',
        name: 'Cutting',
        plain: '',
        icf: [],
        rungs: [{ number: 3, words: 'snips', age_months: 30 }],
      },
    ]
    const now = { wanted: [], behind: ['cutting'], told: { cutting: 3 } }
    expect(keptOnly(now, [], strands).map(words)).toEqual(['Starts behind: Cutting', 'Cutting, done: snips'])
    const read = [said({ kind: 'behind', id: 'cutting', name: 'Cutting' })]
    expect(keptOnly(now, read, strands).map((s) => s.kind)).toEqual(['told'])
  })

  it('says what each comes to', () => {
    expect(words(said({ kind: 'behind', id: 'tool_grasp', name: 'Tool grasp' }))).toBe('Starts behind: Tool grasp')
    expect(words(said({ kind: 'told', name: 'snips', strand_name: 'Cutting', rung: 3 }))).toBe('Cutting, done: snips')
  })
})
