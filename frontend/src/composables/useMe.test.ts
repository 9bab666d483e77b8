// @vitest-environment happy-dom
import { flushPromises } from '@vue/test-utils'
import { expect, it } from 'vitest'
import { useMe } from './useMe'
import { answers, Refusal, used } from '@/testing/mounted'

it('sends who is not signed in to the door, and back to where they were going', async () => {
  answers({ 'GET /api/me': new Refusal(401) })
  const { router } = await used(() => useMe(), {}, '/day/2026-03-02')
  await flushPromises()
  expect(router.currentRoute.value.name).toBe('sign-in')
  expect(router.currentRoute.value.query.next).toBe('/day/2026-03-02')
})

it('stays where the server has another trouble', async () => {
  answers({ 'GET /api/me': new Refusal(503) })
  const { router, got } = await used(() => useMe(), {}, '/day/2026-03-02')
  await flushPromises()
  expect(got.error.value).toBeTruthy()
  expect(router.currentRoute.value.name).toBe('day')
})
