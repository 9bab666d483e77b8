// @vitest-environment happy-dom
import { flushPromises, type VueWrapper } from '@vue/test-utils'
import { reactive, type Component } from 'vue'
import { beforeEach, describe, expect, it } from 'vitest'
import FormatForm, { type FormatValues } from './FormatForm.vue'
import NeedsList from './NeedsList.vue'
import OwnAxes from './OwnAxes.vue'
import OwnPicture from './OwnPicture.vue'
import OwnRoles from './OwnRoles.vue'
import RungList from './RungList.vue'
import ThingForm from './ThingForm.vue'
import type { Schemas } from '@/api/client'
import type { ThingValues } from '@/logic/ownThing'
import type { ActivityValues, Need } from '@/logic/ownValues'
import { answers, button, choose, number, shown, tick } from '@/testing/mounted'

const property = (id: string, name: string, kind: string, more: object = {}) => ({
  id,
  name,
  kind,
  unit: kind === 'number' ? 'mm' : '',
  options: [],
  is_hazard: false,
  ...more,
})
const words = {
  forms: [
    { id: 'item', name: 'small thing', asks: [] },
    { id: 'container', name: 'pot or bowl', asks: ['opening_mm'] },
  ],
  properties: [
    property('hole_mm', 'Hole', 'number'),
    property('opening_mm', 'Opening', 'number'),
    property('size_mm', 'Size', 'number'),
    property('soft', 'Is it soft?', 'yes'),
    property('colour', 'Colour', 'word', { options: ['red', 'blue'] }),
    property('sharp', 'Is it sharp?', 'yes', { is_hazard: true }),
  ],
  kept: [{ id: 'craft', name: 'craft drawer' }],
  parts: [
    { id: 'warm-up', name: 'Warm-up', low: 0.7, high: 0.95 },
    { id: 'main', name: 'Main work', low: 0.7, high: 0.85 },
  ],
  acts: [
    {
      id: 'put',
      name: 'Something is put somewhere',
      takes: [
        { key: 'thing', kind: 'role', options: [] },
        { key: 'into', kind: 'role', options: [] },
        { key: 'reach_mm', kind: 'number', options: [] },
      ],
    },
    { id: 'hold', name: 'Something is held', takes: [{ key: 'held', kind: 'role', options: [] }] },
  ],
} as unknown as Schemas['OwnWords']
type At = (path: string) => string
const nothing: At = () => ''
const only =
  (path: string) =>
  (at: string): string =>
    at === path ? 'This is empty.' : ''

const activity = (): ActivityValues =>
  reactive({
    name: 'Pot drop',
    trains: { object_grasp: 3 },
    demands: {},
    roles: [
      { id: 'piece', words: 'small things', form: 'item', per_try: 1, fixed: 0 },
      { id: 'pot', words: 'pot', form: 'container', fixed: 1 },
    ],
    axes: [
      {
        id: 'size',
        words: 'Size',
        steps: [
          { words: 'big', tell: 'Use big ones.' },
          { words: 'small', tell: 'Use small ones.', adds: 1 },
        ],
      },
    ],
    picture: [{ act: 'put', thing: 'piece', into: 'pot', reach_mm: { axis: 'size', of: [100, 200] } }],
  }) as unknown as ActivityValues

const form = (component: Component, values: object, at = nothing, more = {}): VueWrapper =>
  shown(component, { modelValue: values, at, words, ...more })

describe('what is asked of a thing', () => {
  const list = (needs: Need[]): VueWrapper =>
    shown(NeedsList, { modelValue: needs, words, form: 'container', label: 'What pot has to be' })
  const all = (on: VueWrapper): Need[] => on.emitted('update:modelValue')!.at(-1)![0] as Need[]

  it('offers first what its form is asked about', () => {
    const offered = list([]).findAllComponents({ name: 'ElOption' })
    expect(offered.map((o) => o.props('label')).slice(0, 2)).toEqual(['Size', 'Opening'])
  })

  it('is a bound, a yes or no, or one of several, said in words that follow', async () => {
    const on = list([])
    await choose(on, 'What pot has to be: add', 'opening_mm')
    expect(all(on)).toEqual([{ property: 'opening_mm', words: 'up to 30 mm', at_most: 30 }])
    await choose(on, 'What pot has to be: add', 'soft')
    expect(all(on)[1]).toEqual({ property: 'soft', words: 'not soft', is: false })
    await choose(on, 'What pot has to be: add', 'colour')
    expect(all(on)[2]).toEqual({ property: 'colour', words: 'red', is: 'red' })
  })

  it('changes its words with its numbers, and is removed', async () => {
    const on = list([{ property: 'opening_mm', words: 'up to 30 mm', at_most: 30 }])
    await number(on, 'Opening at least', '12')
    expect(all(on)[0]!.words).toBe('12 to 30 mm')
    await button(on, 'Remove: Opening').trigger('click')
    expect(all(on)).toEqual([])
  })
})

describe('the things of an activity', () => {
  const fills = [{ role: 'piece', count: 12, names: ['Bottle corks', 'Dry pasta'] }]

  it('say what fills them, and what is wrong beside the one it is about', () => {
    const on = form(OwnRoles, activity(), only('roles.1'), { fills })
    expect(on.text()).toContain('12 things fit: bottle corks, dry pasta')
    expect(on.findAll('li')[1]!.text()).toContain('This is empty.')
  })

  it('are counted for each try, or by a number', async () => {
    const values = activity()
    const on = form(OwnRoles, values, nothing, { fills })
    await button(on, 'small things').trigger('click')
    await tick(on, 'one for each try')
    expect([values.roles[0]!.per_try, values.roles[0]!.fixed]).toEqual([0, 1])
    await tick(on, 'only if there is one')
    expect(values.roles[0]!.optional).toBe(true)
  })

  it('are added by what they serve as, and removed with all that named them', async () => {
    const values = activity()
    const on = form(OwnRoles, values, nothing, { fills })
    await choose(on, 'Add a thing', 'container')
    expect(values.roles.map((r) => r.form)).toEqual(['item', 'container', 'container'])
    await button(on, 'pot').trigger('click')
    await button(on, 'Remove pot').trigger('click')
    expect(values.roles.map((r) => r.words)).not.toContain('pot')
    expect(values.picture[0]).not.toHaveProperty('into')
  })
})

describe('the grades', () => {
  const axes = (values: ActivityValues, at = nothing): VueWrapper =>
    form(OwnAxes, values, at, { strandName: () => 'Object grasp' })

  it('run from easy to hard, each harder by so many rungs', async () => {
    const values = activity()
    const on = axes(values)
    await number(on, 'small: rungs harder in Object grasp', '1.4')
    expect(values.axes[0]!.steps[1]!.adds).toEqual({ object_grasp: 1.4 })
  })

  it('gain and lose steps, and what is drawn along them with them', async () => {
    const values = activity()
    const on = axes(values)
    await button(on, 'Add a harder step').trigger('click')
    expect(values.axes[0]!.steps).toHaveLength(3)
    expect((values.picture[0]!.reach_mm as { of: number[] }).of).toHaveLength(3)
    await button(on, 'Remove big').trigger('click')
    expect(values.axes[0]!.steps).toHaveLength(2)
    expect(values.axes[0]!.steps[0]).not.toHaveProperty('adds')
  })

  it('can be graded in another way, and that way removed', async () => {
    const values = activity()
    const on = axes(values)
    await button(on, 'Add another way of grading').trigger('click')
    expect(values.axes).toHaveLength(2)
    await button(on, 'Remove').trigger('click')
    expect(values.axes.map((a) => a.words)).toEqual(['Another way'])
  })

  it('ask of a thing what holds at one of them', async () => {
    const values = activity()
    const on = axes(values, only('axes.0.steps.1'))
    expect(on.get('[role=alert]').text()).toBe('This is empty.')
    await on.findAll('button[aria-expanded]')[1]!.trigger('click')
    await choose(on, 'small things at small: add', 'size_mm')
    expect(values.axes[0]!.steps[1]!.needs).toEqual({
      piece: [{ property: 'size_mm', words: 'up to 30 mm', at_most: 30 }],
    })
  })
})

describe('the picture', () => {
  it('asks for what its act takes, and drops what another does not', async () => {
    const values = activity()
    const on = form(OwnPicture, values)
    await choose(on, 'Frame 1: what is seen', 'hold')
    expect(values.picture[0]).toEqual({ act: 'hold', held: 'piece' })
  })

  it('has one value at every grade, or one for each', async () => {
    const values = activity()
    const on = form(OwnPicture, values)
    await number(on, 'Frame 1, reach_mm small', '250')
    expect((values.picture[0]!.reach_mm as { of: number[] }).of).toEqual([100, 250])
    await choose(on, 'Frame 1, reach_mm: changes with', 'every')
    expect(values.picture[0]!.reach_mm).toBe(100)
    await choose(on, 'Frame 1, into', '')
    expect(values.picture[0]).not.toHaveProperty('into')
  })

  it('has one to four frames', async () => {
    const values = activity()
    const on = form(OwnPicture, values)
    expect(on.text()).not.toContain('✕')
    while (values.picture.length < 4) await button(on, 'Add a frame').trigger('click')
    expect(on.text()).not.toContain('Add a frame')
    await button(on, 'Remove frame 4').trigger('click')
    expect(values.picture).toHaveLength(3)
  })
})

describe('rungs', () => {
  const strands = [
    { id: 'pinch', name: 'Pinch', rungs: [{ number: 1, words: 'holds with the palm' }] },
    { id: 'hold', name: 'Sustained grip', rungs: [] },
  ]
  const list = async (values: Record<string, number>, more = {}): Promise<VueWrapper> => {
    answers({ 'GET /api/words': { strands } })
    const on = shown(RungList, { modelValue: values, of: 'Trains', add: 'Also trains', ...more })
    await flushPromises()
    return on
  }

  it('stand with their words, are added from the rest, and removed', async () => {
    const on = await list({ pinch: 1 })
    expect(on.text()).toContain('holds with the palm')
    await choose(on, 'Also trains', 'hold')
    expect(on.emitted('update:modelValue')).toEqual([[{ pinch: 1, hold: 2 }]])
    await button(on, 'Remove: trains pinch').trigger('click')
    expect(on.emitted('update:modelValue')!.at(-1)).toEqual([{ hold: 2 }])
  })

  it('keep the first where something has to be trained, and offer nothing twice', async () => {
    const on = await list({ pinch: 1 }, { keepFirst: true, without: { hold: 3 } })
    expect(on.text()).not.toContain('✕')
    expect(on.findAllComponents({ name: 'ElOption' })).toHaveLength(0)
  })
})

describe('a thing', () => {
  beforeEach(() => void answers({ 'GET /api/words': { strands: [], allergens: [], textures: [] } }))
  const reel = (): ThingValues =>
    reactive({
      name: '',
      one: '',
      many: '',
      kept: 'craft',
      forms: ['item'],
      shape: { rod: { diameter_mm: 36, length_mm: 40 } },
      usual_count: 8,
    }) as unknown as ThingValues

  it('is called one and many as it is named, until somebody says otherwise', async () => {
    const thing = reel()
    const on = form(ThingForm, thing)
    const name = on.get('input[placeholder="Cotton reels"]')
    await name.setValue('Ribbon reels')
    expect([thing.name, thing.one, thing.many]).toEqual(['Ribbon reels', 'ribbon reel', 'ribbon reels'])
    thing.many = 'reels of ribbon'
    await name.setValue('Silk reels')
    expect(thing.many).toBe('reels of ribbon')
  })

  it('keeps its sizes in the shape it has', async () => {
    const thing = reel()
    const on = form(ThingForm, thing, only('shape'))
    await number(on, 'across in mm', '26')
    expect(thing.shape).toEqual({ rod: { diameter_mm: 26, length_mm: 40 } })
    expect(on.get('[role=alert]').text()).toBe('This is empty.')
  })

  it('tells the hazard rules what it is, and what comes off it', async () => {
    const thing = reel()
    const on = form(ThingForm, thing)
    await tick(on, 'Is it sharp?')
    expect(thing.sharp).toBe(true)
    await tick(on, 'Is it sharp?')
    expect(thing).not.toHaveProperty('sharp')
    await tick(on, 'A part can come off it')
    await number(on, 'The part, across in mm', '14')
    expect(thing.loose_part?.shape).toEqual({ disc: { diameter_mm: 14, height_mm: 10 } })
  })
})

describe('a session format', () => {
  it('has its parts ticked, with minutes and a band of its own', async () => {
    const values = reactive<FormatValues>({ name: 'Wake and work', parts: { main: { fewest: 3, most: 6 } } })
    const on = form(FormatForm, values)
    await tick(on, 'Warm-up')
    expect(values.parts['warm-up']).toEqual({ wanted_from: 15, fewest: 3, most: 6 })
    await number(on, 'Warm-up: most minutes of a block', '5')
    expect(values.parts['warm-up']!.most).toBe(5)
    await tick(on, 'Warm-up')
    expect(Object.keys(values.parts)).toEqual(['main'])
  })

  it('says at a part what is wrong with it', () => {
    const values = reactive<FormatValues>({ name: 'x', parts: { main: { fewest: 9, most: 6 } } })
    expect(form(FormatForm, values, only('parts.main')).get('[role=alert]').text()).toBe('This is empty.')
  })
})
