// @vitest-environment happy-dom
import { expect, it } from 'vitest'
import type { Child } from './useChild'
import { useOpenHomes, usePlaces } from './usePlaces'
import { used } from '@/testing/mounted'

const home = (id: number, kind = 'home', is_archived = false): Record<string, unknown> => ({ id, kind, is_archived })
const homes = [home(1), home(2), home(3, 'school'), home(4, 'school', true), home(5, 'home', true)]

it('offers a child its own places and every room of the clinic, but nobody else’s home', async () => {
  const child = { home_id: 1, also_at: [4] } as unknown as Child
  const { got } = await used(() => usePlaces(() => child), { homes })
  expect(got.value.map((h) => h.id)).toEqual([1, 3, 4])
})

it('leaves out what is archived', async () => {
  const { got } = await used(() => useOpenHomes(), { homes })
  expect(got.value.map((h) => h.id)).toEqual([1, 2, 3])
})
