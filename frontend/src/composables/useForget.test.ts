// @vitest-environment happy-dom
import { expect, it } from 'vitest'
import { useForget } from './useForget'
import { staleWith, KEYS, type KeyName } from '@/logic/stale'
import { used } from '@/testing/mounted'

it('forgets what a change makes stale, and nothing else', async () => {
  const known = Object.fromEntries(Object.keys(KEYS).map((key) => [key, 'yesterday'])) as Record<KeyName, unknown>
  const { got, queries } = await used(() => useForget(), known)
  got('cupboard')
  const gone = (Object.keys(KEYS) as KeyName[]).filter((key) => queries.getQueryState([key])!.isInvalidated)
  expect(gone.toSorted()).toEqual([...staleWith('cupboard')].toSorted())
  expect(gone.length).toBeLessThan(Object.keys(KEYS).length)
})
