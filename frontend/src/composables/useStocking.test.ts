import { QueryClient, VueQueryPlugin } from '@tanstack/vue-query'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { createApp, effectScope, type EffectScope } from 'vue'
import type { Stocking } from './useStocking'
import { until } from '@/testing/browser'

const home = {
  counts: {} as Record<string, number>,
  puts: [] as Record<string, number>[],
  reachable: true,
  refuses: '',
}

class Refused extends Error {}

vi.mock('@/api/client', () => ({
  Refused,
  unwrap: (answer: Promise<unknown>) => answer,
  api: {
    GET: async () => ({ counts: { ...home.counts } }),
    PUT: async (_path: string, { body }: { body: { counts: Record<string, number> } }) => {
      if (!home.reachable) throw new TypeError('no network')
      if (home.refuses in body.counts) throw new Refused('not a thing')
      home.puts.push(body.counts)
      Object.assign(home.counts, body.counts)
      return { counts: { ...home.counts } }
    },
  },
}))

let scope: EffectScope

async function stocking(): Promise<Stocking> {
  const { useStocking } = await import('./useStocking')
  const app = createApp({}).use(VueQueryPlugin, { queryClient: new QueryClient() })
  scope = effectScope()
  const made = app.runWithContext(() => scope.run(() => useStocking(() => 1))!)
  await until(() => Object.keys(made.counts.value).length === Object.keys(home.counts).length)
  return made
}

beforeEach(() => {
  vi.spyOn(console, 'warn').mockImplementation(() => undefined) // that it stands in no component
  Object.assign(home, { counts: { cork: 3 }, puts: [], reachable: true, refuses: '' })
})
afterEach(() => {
  scope.stop()
  vi.restoreAllMocks()
})

describe('counts, kept as one taps', () => {
  it('are seen at once and sent together after the last tap', async () => {
    const { counts, set, unsent } = await stocking()
    set({ cork: 5 })
    set({ bowl: 1 })
    set({ bowl: 2 })
    expect([counts.value.cork, counts.value.bowl, unsent.value]).toEqual([5, 2, 2])
    await until(() => unsent.value === 0)
    expect(home.puts).toEqual([{ cork: 5, bowl: 2 }])
  })

  it('stay on the screen and wait where the server can not be reached', async () => {
    const { counts, set, flush, error, unsent } = await stocking()
    home.reachable = false
    set({ bowl: 2 })
    expect(await flush()).toBe(false)
    expect([counts.value.bowl, unsent.value, error.value?.message]).toEqual([2, 1, 'no network'])
    set({ cork: 9 })
    home.reachable = true
    expect(await flush()).toBe(true)
    expect(home.puts).toEqual([{ bowl: 2, cork: 9 }])
    expect([unsent.value, error.value]).toEqual([0, null])
  })

  it('let a later tap stand over one that failed', async () => {
    const { counts, set, flush } = await stocking()
    home.reachable = false
    set({ bowl: 2 })
    await flush()
    set({ bowl: 4 })
    home.reachable = true
    await flush()
    expect([home.counts.bowl, counts.value.bowl]).toEqual([4, 4])
  })

  it('are taken back and said where they can not be kept', async () => {
    const { counts, set, flush, error, unsent } = await stocking()
    home.refuses = 'moon'
    set({ moon: 1 })
    expect(await flush()).toBe(false)
    expect([counts.value.moon, unsent.value, error.value?.message]).toEqual([undefined, 0, 'not a thing'])
  })
})
