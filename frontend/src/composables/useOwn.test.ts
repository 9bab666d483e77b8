// @vitest-environment happy-dom
import { flushPromises } from '@vue/test-utils'
import { defineComponent, h } from 'vue'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { useOwn, type Own } from './useOwn'
import { answers, Refusal, shown, type Call } from '@/testing/mounted'

const ENTRY = {
  id: 7,
  kind: 'activity',
  name: 'Pot drop',
  version: 3,
  number: null,
  has_draft: true,
  is_archived: false,
  values: { name: 'Pot drop' },
}
const LOOKED = { issues: [], questions: [], advice: [], activity: null, thing: null }
const routes = {
  'GET /api/me': { username: 'maren', may: ['shelf.write'] },
  'GET /api/own/7': ENTRY,
  'POST /api/own-look': LOOKED,
}

/** The entry open on a page, its timers those of the test. */
async function open(
  more: Record<string, unknown> = {},
): Promise<{ own: Own; calls: Call[]; close: () => Promise<void> }> {
  const calls = answers({ ...routes, ...more })
  let own: Own | undefined
  const page = shown(
    defineComponent(() => {
      own = useOwn(() => 7)
      return () => h('i')
    }),
    {},
  )
  await later(400)
  /** Leave the page, and let what it still sends be answered. */
  const close = async (): Promise<void> => {
    page.unmount()
    await later(100)
  }
  return { own: own!, calls, close }
}
async function later(ms: number): Promise<void> {
  for (let gone = 0; gone < ms; gone += 100) {
    await vi.advanceTimersByTimeAsync(100)
    await flushPromises()
  }
}
const sent = (calls: Call[], route: string): unknown[] => calls.filter((c) => c.route === route).map((c) => c.body)

beforeEach(() => void vi.useFakeTimers())
afterEach(() => {
  vi.useRealTimers()
  localStorage.clear()
})

describe('what is written', () => {
  it('is kept once somebody stops writing, all letters in one', async () => {
    const { own, calls } = await open({ 'PUT /api/own/7': { ...ENTRY, version: 4 } })
    for (const name of ['P', 'Pe', 'Peg gate']) own.values.value!.name = name
    expect(own.saved.value).toBe('saved')
    await later(100)
    expect(own.saved.value).toBe('unsaved')
    await later(900)
    expect(sent(calls, 'PUT /api/own/7')).toEqual([{ values: { name: 'Peg gate' }, version: 3 }])
    expect([own.saved.value, own.entry.value!.version]).toEqual(['saved', 4])
  })

  it('stays on this device while the server is away, and goes when it is back', async () => {
    const { own, close } = await open()
    own.values.value!.name = 'Peg gate'
    await later(900)
    expect(own.saved.value).toBe('unsaved')
    expect(own.error.value).toBeTruthy()
    expect(localStorage.getItem('own-unsent')).toContain('Peg gate')
    await close()
    const again = await open({ 'PUT /api/own/7': { ...ENTRY, version: 4 } })
    expect(again.own.values.value!.name).toBe('Peg gate')
    await later(4200)
    expect(sent(again.calls, 'PUT /api/own/7')).toEqual([{ values: { name: 'Peg gate' }, version: 3 }])
    expect(localStorage.getItem('own-unsent')).not.toContain('Peg gate')
  })

  it('is never sent in the name of whoever signs in next', async () => {
    const { own, close } = await open()
    own.values.value!.name = 'Peg gate'
    await later(900)
    await close()
    const other = await open({ 'GET /api/me': { username: 'tove', may: ['shelf.write'] } })
    expect(other.own.values.value!.name).toBe('Pot drop')
    await later(4200)
    expect(sent(other.calls, 'PUT /api/own/7')).toEqual([])
  })

  it('that was refused waits for somebody to look, and is not sent again by itself', async () => {
    const { own, calls } = await open({ 'PUT /api/own/7': new Refusal(422, 'values', 'It is too long.') })
    own.values.value!.name = 'Peg gate'
    await later(9000)
    expect(sent(calls, 'PUT /api/own/7')).toHaveLength(1)
    expect([own.saved.value, own.values.value!.name]).toEqual(['unsaved', 'Peg gate'])
  })

  it('is kept over another’s only when that is asked for', async () => {
    const stale = new Refusal(409, '', 'Somebody wrote since.', { theirs: { version: 9 } })
    const { own, calls } = await open({ 'PUT /api/own/7': stale })
    own.values.value!.name = 'Peg gate'
    await later(900)
    own.takeNewest()
    await later(100)
    expect(sent(calls, 'PUT /api/own/7')).toEqual([
      { values: { name: 'Peg gate' }, version: 3 },
      { values: { name: 'Peg gate' }, version: 9 },
    ])
  })
})

describe('sharing', () => {
  it('keeps what is written first, and shares just that', async () => {
    const { own, calls } = await open({
      'PUT /api/own/7': { ...ENTRY, version: 4 },
      'POST /api/own/7/share': { ...ENTRY, version: 5, number: 1, has_draft: false },
    })
    own.values.value!.name = 'Peg gate'
    await later(100)
    expect(await own.share()).toBe(true)
    expect(calls.filter((c) => c.route.includes('/own/7') && !c.route.startsWith('GET')).map((c) => c.route)).toEqual([
      'PUT /api/own/7',
      'POST /api/own/7/share',
    ])
    expect(sent(calls, 'POST /api/own/7/share')).toEqual([{ version: 4 }])
    expect(own.entry.value!.number).toBe(1)
  })

  it('shares nothing while what is written could not be kept', async () => {
    const { own, calls } = await open()
    own.values.value!.name = 'Peg gate'
    await later(100)
    expect(await own.share()).toBe(false)
    expect(sent(calls, 'POST /api/own/7/share')).toEqual([])
  })
})

describe('what it would be', () => {
  it('is asked for with what is written, shortly after', async () => {
    const { own, calls } = await open({ 'PUT /api/own/7': ENTRY })
    expect(own.looked.value).toEqual(LOOKED)
    own.values.value!.name = 'Peg gate'
    await later(500)
    expect(sent(calls, 'POST /api/own-look').at(-1)).toEqual({ kind: 'activity', values: { name: 'Peg gate' } })
  })
})
