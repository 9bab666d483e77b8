// @vitest-environment happy-dom
import { flushPromises } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import FamilyCue from './FamilyCue.vue'
import LibraryFilters from './LibraryFilters.vue'
import LibraryRow from './LibraryRow.vue'
import { answers, button, choose, fieldError, Refusal, shown } from '@/testing/mounted'

const props = { childId: 3, activityId: 'peg_fence', said: '', usual: '“Thumb and two. Squeeze open.”' }

describe('what a family says', () => {
  it('is written over the usual cue and kept', async () => {
    const calls = answers({ 'PUT /api/children/3/cue': { words: 'Crocodile bites!' } })
    const cue = shown(FamilyCue, props)
    await button(cue, 'Say it in this family’s words').trigger('click')
    expect(cue.get('input').attributes('placeholder')).toBe(props.usual)
    await cue.get('input').setValue('Crocodile bites!')
    await cue.get('form').trigger('submit')
    await flushPromises()
    expect(calls[0]?.body).toEqual({ activity_id: 'peg_fence', words: 'Crocodile bites!' })
    expect(cue.text()).toContain('Change how this family says it')
  })

  it('goes back to the usual with one press', async () => {
    const calls = answers({ 'PUT /api/children/3/cue': { words: '' } })
    const cue = shown(FamilyCue, { ...props, said: 'Crocodile!' })
    await button(cue, 'Back to the usual').trigger('click')
    await flushPromises()
    expect(calls[0]?.body).toEqual({ activity_id: 'peg_fence', words: '' })
    expect(cue.text()).toContain('Say it in this family’s words')
  })

  it('stays written where it was refused, with the reason at the field', async () => {
    answers({ 'PUT /api/children/3/cue': new Refusal(422, 'words', 'Too long for one breath.') })
    const cue = shown(FamilyCue, props)
    await button(cue, 'Say it in this family’s words').trigger('click')
    await cue.get('input').setValue('A whole story')
    await cue.get('form').trigger('submit')
    await flushPromises()
    expect(await fieldError(cue)).toContain('Too long for one breath.')
    expect((cue.get('input').element as HTMLInputElement).value).toBe('A whole story')
  })
})

describe('one activity of the library', () => {
  const reach = {
    activity_id: 'peg_fence',
    name: 'Peg fence',
    does: 'Your child clips pegs round a box.',
    target: 'strength',
    strand_name: 'Pinch',
    also: ['Crossing midline'],
    least: 1,
    most: 4,
    low: 1.5,
    high: 3,
    mean: 2,
    expected_words: '8 of 10',
    nearest_words: ['stiff pegs', 'thin card'],
    why_not: '',
    offered: 3,
    grades: 12,
    opens: 2,
    to_add: 'Add stiffer pegs.',
    nearest: [1],
    easiest: [0],
    parts: ['main'],
    axes: [],
    own: true,
    loved: false,
    liked: true,
  }
  const row = (more = {}): ReturnType<typeof shown> =>
    shown(LibraryRow, { reach: { ...reach, ...more }, childId: 3, homeId: 1, picture: undefined, compared: false })

  it('says where the child stands, what is offered and what would open more', () => {
    const text = row().text()
    for (const words of ['our own', '8 of 10 alone: stiff pegs · thin card', '3 of 12 grades', 'Opens 2 more']) {
      expect(text).toContain(words)
    }
    expect(row().get('svg[role=img]').attributes('aria-label')).toContain('rungs 1.5 to 3.0 on offer')
  })

  it('says why nothing of it can be had here', () => {
    const none = row({ offered: 0, low: null, high: null, why_not: 'No pegs in this cupboard.' })
    expect(none.text()).toContain('No pegs in this cupboard.')
    expect(none.get('svg[role=img]').attributes('aria-label')).toBe('no grade on offer here')
  })

  it('is a favourite of the child or of the therapist, each by its own press', async () => {
    const on = row()
    const [child, me] = on.findAll('.act')
    expect([child!.attributes('aria-pressed'), me!.attributes('aria-pressed')]).toEqual(['false', 'true'])
    await child!.trigger('click')
    await me!.trigger('click')
    expect(on.emitted('love')).toEqual([['child'], ['me']])
  })

  it('opens on its name, and leads on to others', async () => {
    answers({ 'POST /api/children/3/forecast': null })
    const on = row()
    await button(on, 'Peg fence').trigger('click')
    await button(on, 'More like this').trigger('click')
    await button(on, 'Same things, other skill').trigger('click')
    await button(on, 'Compare').trigger('click')
    expect(['more', 'other', 'compare'].map((e) => on.emitted(e)?.length)).toEqual([1, 1, 1])
  })
})

describe('what an activity has to be', () => {
  const words = {
    targets: [
      { id: 'strength', name: 'Hand strength' },
      { id: 'scissors', name: 'Scissors' },
    ],
    strands: [
      { id: 'pinch', name: 'Pinch', target: 'strength', rungs: [{ number: 1, words: 'with the palm' }] },
      { id: 'cutting', name: 'Cutting', target: 'scissors', rungs: [] },
    ],
    wanted_tasks: [{ id: 'zip', name: 'Do up a zip' }],
  }
  const filters = async (filter: object): Promise<ReturnType<typeof shown>> => {
    answers({ 'GET /api/words': words })
    const on = shown(LibraryFilters, { modelValue: filter, sort: 'close', name: 'Wyn' })
    await flushPromises()
    return on
  }
  const last = (on: ReturnType<typeof shown>): unknown => on.emitted('update:modelValue')!.at(-1)![0]

  it('is a skill by one press, and none by another', async () => {
    const on = await filters({})
    await button(on, 'Hand strength').trigger('click')
    expect(last(on)).toEqual({ target: 'strength' })
    await button(on, 'Hand strength').trigger('click')
    expect(last(on)).toEqual({ target: undefined })
    await button(on, 'Wyn’s favourites').trigger('click')
    expect(last(on)).toMatchObject({ only: 'loved' })
  })

  it('offers only the ladders of its skill, and rungs only of a ladder', async () => {
    const on = await filters({ target: 'strength' })
    await button(on, 'More').trigger('click')
    const lists = on.findAllComponents({ name: 'ElSelect' })
    expect(lists.map((l) => l.props('ariaLabel'))).not.toContain('Rung')
    await choose(on, 'Skill', 'pinch')
    expect(last(on)).toMatchObject({ target: 'strength', strand: 'pinch' })
    expect(on.findAllComponents({ name: 'ElOption' }).map((o) => o.props('label'))).not.toContain('Cutting')
    await choose(on, 'Rung', 1)
    expect(button(on, 'More').text()).toBe('More (2)')
    await choose(on, 'Skill', undefined)
    expect(last(on)).toMatchObject({ strand: undefined, rung: undefined })
  })
})
