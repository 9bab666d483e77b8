// @vitest-environment happy-dom
import { flushPromises, type VueWrapper } from '@vue/test-utils'
import { describe, expect, it, vi } from 'vitest'
import BandField from './BandField.vue'
import CommandPalette from './CommandPalette.vue'
import RowsSkeleton from './RowsSkeleton.vue'
import TabBar from './TabBar.vue'
import { answers, button, number, shown } from '@/testing/mounted'

const pages = [
  { name: 'caseload', words: 'Children' },
  { name: 'day', words: 'Day' },
  { name: 'shelf', words: 'Our library' },
  { name: 'audit', words: 'Audit log' },
]

describe('the tabs of a phone', () => {
  it('have what is needed most, and the rest behind More', async () => {
    const tabs = shown(TabBar, { pages, dark: false })
    expect(tabs.findAll('a').map((a) => a.text())).toEqual(['Children', 'Day', 'Library'])
    await button(tabs, 'More').trigger('click')
    expect(tabs.text()).toContain('Audit log')
    await button(tabs, 'Dark').trigger('click')
    await button(tabs, 'Sign out').trigger('click')
    expect([tabs.emitted('dark'), tabs.emitted('out')]).toEqual([[[]], [[]]])
  })
})

describe('the palette', () => {
  const opened = async (
    may: string[] = [],
  ): Promise<{ field: () => HTMLInputElement; run: ReturnType<typeof vi.fn> }> => {
    answers({
      'GET /api/me': { username: 'maren', may },
      'GET /api/children': [{ id: 4, first_name: 'Wyn', age_months: 60, care: 'open', home_name: 'Mill house' }],
    })
    const run = vi.fn()
    shown(CommandPalette, { actions: [{ id: 'dark', words: 'Dark colours', run }] })
    await flushPromises()
    return { field: () => document.querySelector<HTMLInputElement>('input[role=combobox]')!, run }
  }
  const options = (): string[] => [...document.querySelectorAll('[role=option]')].map((o) => o.textContent!.trim())
  const press = async (field: HTMLInputElement, key: string): Promise<void> => {
    field.dispatchEvent(new KeyboardEvent('keydown', { key }))
    await flushPromises()
  }
  const type = async (field: HTMLInputElement, words: string): Promise<void> => {
    field.value = words
    field.dispatchEvent(new Event('input'))
    await flushPromises()
  }

  it('finds children, pages and actions by a few letters', async () => {
    const { field } = await opened()
    await type(field(), 'wy')
    expect(options()[0]).toContain('Wyn')
    expect(options()[0]).toContain('Mill house')
    await type(field(), 'zzz')
    expect(options()).toEqual([])
    expect(document.body.textContent).toContain('Nothing found.')
  })

  it('goes on Enter to what the arrows chose, round the ends', async () => {
    const { field, run } = await opened()
    await type(field(), 'dark')
    await press(field(), 'ArrowUp')
    await press(field(), 'ArrowDown')
    await press(field(), 'Enter')
    expect(run).toHaveBeenCalledOnce()
  })

  it('offers nobody a page that is closed to them', async () => {
    const { field } = await opened([])
    await type(field(), 'audit')
    expect(options()).toEqual([])
  })

  it('offers the lead what the lead may read', async () => {
    const { field } = await opened(['audit.read'])
    await type(field(), 'audit')
    expect(options()).toEqual(['Audit log'])
  })
})

describe('a band', () => {
  const band = (now: [number, number] | null): VueWrapper =>
    shown(BandField, { modelValue: now, name: 'Warm-up', usual: [0.7, 0.95] })
  const last = (on: VueWrapper): unknown => on.emitted('update:modelValue')!.at(-1)![0]

  it('is written of ten, the other end the usual one until it is said', async () => {
    const on = band(null)
    await number(on, 'Warm-up: expected of ten, at least', '6')
    expect(last(on)).toEqual([0.6, 0.95])
    await number(on, 'Warm-up: expected of ten, at most', '9')
    expect(last(on)).toEqual([0.6, 0.9])
  })

  it('is the usual one again where nothing is said', async () => {
    const on = band([0.6, 0.9])
    await number(on, 'Warm-up: expected of ten, at least', '')
    expect(last(on)).toBeNull()
  })
})

describe('what is being fetched', () => {
  it('has its shape, and is said once', () => {
    const rows = shown(RowsSkeleton, { words: 'Fetching the children…', rows: 3 })
    expect(rows.get('[role=status]').text()).toBe('Fetching the children…')
    expect(rows.findAll('.bar')).toHaveLength(3)
  })
})
