// @vitest-environment happy-dom
import { describe, expect, it } from 'vitest'
import EarlyEnd from './EarlyEnd.vue'
import RunAlerts from './RunAlerts.vue'
import RunHow from './RunHow.vue'
import RunTaps from './RunTaps.vue'
import SetBeads from './SetBeads.vue'
import GradeDial from '@/components/bench/GradeDial.vue'
import GradeSteps from '@/components/bench/GradeSteps.vue'
import VerdictLines from '@/components/shared/VerdictLines.vue'
import { button, shown } from '@/testing/mounted'

const supports = [
  { id: 'alone', name: 'alone' },
  { id: 'spoken', name: 'spoken cue' },
  { id: 'shown', name: 'shown once' },
]
const told = {
  does: 'Clip pegs on a rim.',
  grade: ['Small pegs.'],
  steps: ['Squeeze it.'],
  counts_when: 'It stays on.',
  grip: '',
  why: '',
  say: '',
  stop: '',
}

describe('the taps of a try', () => {
  const taps = (props: object = {}): ReturnType<typeof shown> =>
    shown(RunTaps, {
      paused: false,
      more: true,
      helpFirst: false,
      grip: '',
      help: 'spoken',
      supports,
      mouthed: 0,
      ...props,
    })

  it('say what happened, each by its own button', async () => {
    const page = taps({ grip: 'thumb and index' })
    for (const name of ['On their own', 'With help', 'Not yet', 'Reached, other grip', 'Undo', 'Next activity'])
      await button(page, name).trigger('click')
    expect(
      Object.keys(page.emitted()).filter((e) => ['alone', 'helped', 'missed', 'otherGrip', 'undo', 'next'].includes(e)),
    ).toHaveLength(6)
  })

  it('have a thing in the mouth in reach, and say how often', async () => {
    const page = taps({ mouthed: 2 })
    expect(page.text()).toContain('×2')
    await page.get('.mouth').trigger('click')
    expect(page.emitted('mouths')).toHaveLength(1)
  })

  it('keep allergies, precautions and mouthing in sight, and say where none is noted', () => {
    expect(shown(RunAlerts, { alerts: ['Mouths things often', 'Allergy: wheat'] }).findAll('li')).toHaveLength(2)
    expect(shown(RunAlerts, { alerts: [] }).text()).toContain('No allergy')
  })

  it('offer another grip only where a grip counts', () => {
    expect(taps().text()).not.toContain('other grip')
  })

  it('count nothing while paused', () => {
    const page = taps({ paused: true, grip: 'x' })
    const able = page.findAll('button').filter((b) => b.attributes('disabled') === undefined)
    expect(able.map((b) => b.text()).some((t) => /their own|With help|Not yet|grip/.test(t))).toBe(false)
  })

  it('change the help with one press', async () => {
    const page = taps()
    await button(page, 'shown once').trigger('click')
    expect(page.emitted('update:help')).toEqual([['shown']])
  })
})

describe('a set', () => {
  it('is a row of beads, one a try', () => {
    const beads = shown(SetBeads, { row: ['alone', 'helped', 'missed'] }).findAll('span')
    expect(beads.map((b) => b.classes()[0])).toEqual(['alone', 'helped', 'missed'])
  })

  it('ended early is asked about once, with what is left', async () => {
    const page = shown(EarlyEnd, { left: 1, of: 1 })
    expect(page.text()).toContain('1 of 1 activity is not done')
    expect(shown(EarlyEnd, { left: 2, of: 5 }).text()).toContain('2 of 5 activities are not done')
    await button(page, 'Go on').trigger('click')
    await button(page, 'End the session').trigger('click')
    expect([page.emitted('on'), page.emitted('end')].map((e) => e?.length)).toEqual([1, 1])
  })
})

describe('how it is done', () => {
  const block = { told, picture: '<svg class="picture"></svg>' }

  it('is in view for an assistant and one press away for a therapist', async () => {
    expect(shown(RunHow, { block, open: true, brief: false }).text()).toContain('It stays on.')
    const page = shown(RunHow, { block, open: false, brief: false })
    expect(page.text()).not.toContain('It stays on.')
    await button(page, 'How it is done').trigger('click')
    expect(page.text()).toContain('Squeeze it.')
    await button(page, 'Hide').trigger('click')
    expect(page.text()).not.toContain('Squeeze it.')
  })

  it('is brief once tries are counted: what counts stays', () => {
    const page = shown(RunHow, { block, open: true, brief: true })
    expect(page.text()).toContain('It stays on.')
    expect(page.text()).not.toContain('Squeeze it.')
  })
})

describe('a grade', () => {
  const step = (words: string, available = true): object => ({
    words,
    available,
    why_not: available ? '' : 'No small pegs here.',
    remedy: available ? '' : 'Bring some.',
  })
  const dial = { axis: 'size', words: 'Size of the pegs', steps: [step('big'), step('middle'), step('small', false)] }

  it('is turned by press and by arrow keys, and never off the dial', async () => {
    const page = shown(GradeDial, { dial, value: 1 })
    await button(page, 'small').trigger('click')
    const track = page.get('[role=radiogroup]')
    for (const key of ['ArrowLeft', 'ArrowRight', 'a']) await track.trigger('keydown', { key })
    expect(page.emitted('turn')).toEqual([[2], [0], [2]])
    const first = shown(GradeDial, { dial, value: 0 })
    await first.get('[role=radiogroup]').trigger('keydown', { key: 'ArrowLeft' })
    expect(first.emitted('turn')).toBeUndefined()
  })

  it('that the home lacks says why and what to do', () => {
    expect(shown(GradeDial, { dial, value: 2 }).text()).toContain('No small pegs here. Bring some.')
  })

  it('leads to its neighbours where there are any', async () => {
    const easier = { grade: [0], words: 'bigger pegs', tell: 'The pegs are bigger.' }
    const page = shown(GradeSteps, { easier, harder: null, told: true })
    expect(page.text()).toContain('The pegs are bigger.')
    expect(button(page, 'Harder').attributes('disabled')).toBeDefined()
    await button(page, 'Easier').trigger('click')
    expect(page.emitted('jump')).toEqual([[[0]]])
  })
})

describe('a caution', () => {
  it('says why, what to do and after which source', () => {
    const hit = {
      rule: 'small',
      status: 'caution',
      reason: 'Small part.',
      remedy: 'Count them.',
      source: 'ISO 8124-1',
      overridable: false,
    }
    const text = shown(VerdictLines, { hits: [hit, { ...hit, reason: 'A cord.' }] }).text()
    for (const part of ['Small part.', 'Count them.', 'ISO 8124-1', 'A cord.']) expect(text).toContain(part)
  })
})
