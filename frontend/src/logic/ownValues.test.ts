import { describe, expect, it } from 'vitest'
import {
  addAxis,
  addRole,
  addStep,
  harder,
  idFrom,
  issueAt,
  needWords,
  removeAxis,
  removeRole,
  removeStep,
  retrain,
  setAlong,
  setHarder,
  type ActivityValues,
} from './ownValues'

const values = (): ActivityValues =>
  ({
    name: 'Peg gate',
    trains: { pinch: 1, midline: 2 },
    demands: { object_grasp: 3 },
    roles: [
      { id: 'peg', words: 'pegs', form: 'clip', per_try: 1 },
      { id: 'edge', words: 'edge', form: 'edge' },
    ],
    fits: [{ kind: 'clears', outer: 'peg', inner: 'edge', words: 'it opens wider' }],
    axes: [
      {
        id: 'force',
        words: 'Spring',
        steps: [
          { words: 'weak', tell: 'Use weak pegs.' },
          { words: 'stiff', tell: 'Use stiff pegs.', adds: { pinch: 1 }, needs: { peg: [] }, uses: ['peg'] },
        ],
      },
    ],
    picture: [{ act: 'clip', peg: 'peg', edge: 'edge', swings: { axis: 'force', of: [0, 1] } }],
    cues: {},
    steps: [],
  }) as unknown as ActivityValues

describe('what is wrong', () => {
  const issues = [{ at: 'axes.0.steps.1.adds', reason: 'No harder.', remedy: 'Add more.' }]
  it('is said at its field and at what holds it, and nowhere else', () => {
    expect(issueAt(issues, 'axes.0.steps.1.adds')).toBe('No harder. Add more.')
    expect(issueAt(issues, 'axes.0')).toBe('No harder. Add more.')
    expect(issueAt(issues, 'axes.0.steps.10')).toBe('')
    expect(issueAt(issues, 'name')).toBe('')
  })
})

describe('things', () => {
  it('get ids from their words, each its own', () => {
    expect(idFrom('Pot or bowl!', [], 'thing')).toBe('pot_or_bowl')
    expect(idFrom('Pot or bowl', ['pot_or_bowl'], 'thing')).toBe('pot_or_bowl_2')
    expect(idFrom('3 – ü', [], 'thing')).toBe('u')
    expect(idFrom('!!!', ['thing'], 'thing')).toBe('thing_2')
  })
  it('are added, and taken away with all that speaks of them', () => {
    const v = values()
    expect(addRole(v, 'pot', 'container').id).toBe('pot')
    removeRole(v, 0)
    expect(v.roles.map((r) => r.id)).toEqual(['edge', 'pot'])
    expect(v.fits).toEqual([])
    expect(v.axes[0]!.steps[1]!.needs).toEqual({})
    expect(v.axes[0]!.steps[1]!.uses).toEqual([])
    expect(v.picture[0]).toEqual({ act: 'clip', edge: 'edge', swings: { axis: 'force', of: [0, 1] } })
  })
  it('say their need by its numbers', () => {
    expect(needWords({ property: 'size_mm', words: '', at_most: 30 }, 'mm')).toBe('up to 30 mm')
    expect(needWords({ property: 'size_mm', words: '', at_least: 10, at_most: 30 }, 'mm')).toBe('10 to 30 mm')
    expect(needWords({ property: 'size_mm', words: '', at_least: 10 }, 'mm')).toBe('10 mm or more')
    expect(needWords({ property: 'soft', words: 'soft', is: true }, '')).toBe('soft')
  })
})

describe('grades', () => {
  it('say how much harder in one strand, whichever way they are written', () => {
    expect(harder({ words: '', tell: '', adds: 0.5 }, 'pinch', 'pinch')).toBe(0.5)
    expect(harder({ words: '', tell: '', adds: 0.5 }, 'midline', 'pinch')).toBe(0)
    const step = { words: '', tell: '', adds: 0.5 as never }
    setHarder(step, 'midline', 'pinch', 0.3)
    expect(step.adds).toEqual({ pinch: 0.5, midline: 0.3 })
    setHarder(step, 'pinch', 'pinch', 0)
    setHarder(step, 'midline', 'pinch', 0)
    expect(step).toEqual({ words: '', tell: '' })
  })
  it('grow by a harder step, the picture with them', () => {
    const v = values()
    addStep(v, v.axes[0]!)
    expect(v.axes[0]!.steps[2]).toEqual({ words: '', tell: '', adds: { pinch: 1.5 } })
    expect(v.picture[0]!.swings).toEqual({ axis: 'force', of: [0, 1, 1] })
  })
  it('lose a step; the first that stays adds nothing', () => {
    const v = values()
    addStep(v, v.axes[0]!)
    removeStep(v, v.axes[0]!, 0)
    expect(v.axes[0]!.steps.map((s) => s.adds)).toEqual([undefined, { pinch: 1.5 }])
    expect(v.picture[0]!.swings).toEqual({ axis: 'force', of: [1, 1] })
  })
  it('come and go whole', () => {
    const v = values()
    addAxis(v, 'How far')
    expect(v.axes[1]!.steps[1]!.adds).toEqual({ pinch: 0.5 })
    removeAxis(v, 0)
    expect(v.axes.map((a) => a.id)).toEqual(['how_far'])
    expect(v.picture[0]!.swings).toBe(0)
  })
})

describe('what it trains', () => {
  it('changes in its place, with what its steps add', () => {
    const v = values()
    retrain(v, 'pinch', 'squeeze')
    expect(Object.keys(v.trains)).toEqual(['squeeze', 'midline'])
    expect(v.axes[0]!.steps[1]!.adds).toEqual({ squeeze: 1 })
    retrain(v, 'squeeze', 'midline')
    expect(Object.keys(v.trains)).toEqual(['squeeze', 'midline'])
    retrain(v, 'midline', 'object_grasp')
    expect(v.demands).toEqual({})
  })
})

describe('a picture', () => {
  it('changes along an axis, or is the same at every grade', () => {
    const v = values()
    setAlong(v.picture[0]!, 'swings', null)
    expect(v.picture[0]!.swings).toBe(0)
    setAlong(v.picture[0]!, 'swings', v.axes[0]!)
    expect(v.picture[0]!.swings).toEqual({ axis: 'force', of: [0, 0] })
  })
})
