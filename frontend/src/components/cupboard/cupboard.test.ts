// @vitest-environment happy-dom
import { flushPromises } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import ShelfTile from './ShelfTile.vue'
import StarterList from './StarterList.vue'
import StockStarts from './StockStarts.vue'
import CupboardPage from '@/pages/CupboardPage.vue'
import { answers, button, Refusal, shown } from '@/testing/mounted'

const thing = {
  id: 'cork',
  name: 'Bottle corks',
  usual_count: 15,
  common: true,
  picture: '<svg class="picture"></svg>',
}

describe('a thing on its shelf', () => {
  const tile = (count: number): ReturnType<typeof shown> => shown(ShelfTile, { thing, count })

  it('is added with its usual count by one tap, and taken away by another', async () => {
    const none = tile(0)
    expect(none.get('button').attributes('aria-pressed')).toBe('false')
    await none.get('button').trigger('click')
    expect(none.emitted('set')).toEqual([[15]])
    const some = tile(4)
    await button(some, 'Bottle corks').trigger('click')
    expect(some.emitted('set')).toEqual([[0]])
  })

  it('shows the stepper only once it is there', async () => {
    expect(tile(0).find('input').exists()).toBe(false)
    const some = tile(1)
    await button(some, 'One more').trigger('click')
    await button(some, 'One fewer').trigger('click')
    expect(some.emitted('set')).toEqual([[2], [0]])
  })

  it('keeps a typed count to what can be', async () => {
    const some = tile(1)
    for (const typed of ['12', '-3', '99999', '2.6']) await some.get('input').setValue(typed)
    expect(some.emitted('set')?.flat()).toEqual([12, 0, 9999, 3])
  })
})

describe('what would open most', () => {
  it('is named with what it brings, six at most, and added by one press', async () => {
    const starter = Array.from({ length: 10 }, (_, n) => ({
      thing_id: `t${n}`,
      name: `Thing ${n}`,
      typical_count: n + 1,
      opens: 10 * n,
    }))
    answers({ 'GET /api/children/2/starter': starter })
    const list = shown(StarterList, { homeId: 1, childId: 2, name: 'Wyn' })
    await flushPromises()
    expect(list.findAll('button')).toHaveLength(6)
    expect(list.text()).toContain('Thing 3 → 30 activities')
    await button(list, 'Thing 3').trigger('click')
    expect(list.emitted('yes')).toEqual([['t3', 4]])
  })

  it('is left out where nothing is to be asked for', async () => {
    answers({ 'GET /api/children/2/starter': [] })
    const list = shown(StarterList, { homeId: 1, childId: 2, name: 'Wyn' })
    await flushPromises()
    expect(list.find('section').exists()).toBe(false)
  })
})

describe('starts of a cupboard', () => {
  const shelves = [
    { id: 'kitchen', name: 'Kitchen', things: [thing, { ...thing, id: 'whisk', common: false }] },
    { id: 'toys', name: 'Toys', things: [{ ...thing, id: 'ball', usual_count: 1 }] },
  ]
  const starts = (counts: Record<string, number> = {}): ReturnType<typeof shown> =>
    shown(StockStarts, { homeId: 1, shelves, counts }, { homes: [] })

  it('are the usual kitchen and the usual home, never over what is there', async () => {
    const page = starts()
    await button(page, 'The usual kitchen').trigger('click')
    await button(page, 'The usual home').trigger('click')
    expect(page.emitted('set')).toEqual([[{ cork: 15 }], [{ cork: 15, ball: 1 }]])
    const filled = starts({ cork: 2 })
    await button(filled, 'The usual home').trigger('click')
    expect(filled.emitted('set')).toEqual([[{ ball: 1 }]])
  })

  it('take in a list, or say every line that can not be read', async () => {
    const page = starts()
    const choose = async (text: string): Promise<void> => {
      const input = page.get<HTMLInputElement>('input[type=file]')
      Object.defineProperty(input.element, 'files', { value: [new File([text], 'list.csv')], configurable: true })
      await input.trigger('change')
      await flushPromises()
      await flushPromises()
    }
    const two = {
      fields: ['line 2', 'line 3'].map((field) => ({ field, value: '', reason: `${field} is odd.`, remedy: '' })),
    }
    answers({ 'POST /api/homes/1/list': new Refusal(422, '', 'line 2 is odd.', two) })
    await choose('x\ny')
    expect(page.get('[role=alert]').text()).toContain('line 2 is odd.')
    expect(page.get('[role=alert]').text()).toContain('line 3 is odd.')
    const calls = answers({ 'POST /api/homes/1/list': { counts: { cork: 1 } } })
    await choose('cork,1')
    expect(calls[0]?.body).toEqual({ text: 'cork,1' })
    expect(page.emitted('taken')).toEqual([[{ counts: { cork: 1 } }]])
    expect(page.find('[role=alert]').exists()).toBe(false)
  })
})

describe('a line of the cupboard', () => {
  const item = {
    id: 9,
    count: 6,
    measured: { size_mm: 22 },
    version: 1,
    picture: '<svg class="picture"></svg>',
    verdict: { status: 'allowed', hits: [] },
    thing: { ...thing, measure_words: '24 mm', forms: ['item'] },
  }
  const routes = {
    'GET /api/homes/1/cupboard': { items: [item] },
    'GET /api/me': { username: 'maren', may: [] },
    'GET /api/homes': [],
    'GET /api/children/2/recipes': [],
    'GET /api/letter-kits': [],
  }
  const child = { id: 2, first_name: 'Wyn', home_id: 1, home_name: 'Mill house', school_id: null }

  it('is removed at once, and put back with its count and measures by one press', async () => {
    const calls = answers({ ...routes, 'DELETE /api/cupboard-items/9': null, 'POST /api/homes/1/cupboard': item })
    const page = shown(CupboardPage, { child })
    await flushPromises()
    await button(page, 'Remove Bottle corks').trigger('click')
    await flushPromises()
    expect(page.get('.tray').text()).toContain('Bottle corks removed.')
    await button(page, 'Undo').trigger('click')
    await flushPromises()
    const body = { thing_id: 'cork', count: 6, measured: { size_mm: 22 } }
    expect(calls.find((c) => c.route === 'POST /api/homes/1/cupboard')?.body).toEqual(body)
    expect(page.find('.tray').exists()).toBe(false)
  })

  it('that may not be removed stays, with the reason', async () => {
    answers({ ...routes, 'DELETE /api/cupboard-items/9': new Refusal(403, '', 'You may not change this cupboard.') })
    const page = shown(CupboardPage, { child })
    await flushPromises()
    await button(page, 'Remove Bottle corks').trigger('click')
    await flushPromises()
    expect(page.text()).toContain('You may not change this cupboard.')
    expect(page.find('.tray').exists()).toBe(false)
  })
})
