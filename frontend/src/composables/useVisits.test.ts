// @vitest-environment happy-dom
import { flushPromises } from '@vue/test-utils'
import { expect, it } from 'vitest'
import { useVisits, useVisitsChanged } from './useVisits'
import { answers, used } from '@/testing/mounted'

it('fetches some days’ visits, and fetches them again once one was moved', async () => {
  const routes: Record<string, unknown> = { 'GET /api/visits': [{ id: 1 }] }
  const calls = answers(routes)
  const days = { first: '2026-03-02', last: '2026-03-02', mine: true }
  const { got } = await used(() => ({ visits: useVisits(() => days), changed: useVisitsChanged() }))
  expect(got.visits.data.value).toEqual([{ id: 1 }])
  routes['GET /api/visits'] = []
  await got.changed()
  await flushPromises()
  expect([calls.length, got.visits.data.value]).toEqual([2, []])
})
