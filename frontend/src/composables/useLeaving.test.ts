// @vitest-environment happy-dom
import { expect, it, vi } from 'vitest'
import { useLeaving } from './useLeaving'
import { used } from '@/testing/mounted'

it('says that another page is on its way, and which one could not be fetched', async () => {
  const { got, router } = await used(() => useLeaving())
  let fetched: (page: object) => void = () => undefined
  const page = new Promise<object>((done) => (fetched = done))
  router.addRoute({ path: '/slow', component: () => page as never })
  router.addRoute({ path: '/lost', component: () => Promise.reject(new TypeError('no network')) })
  const going = router.push('/slow')
  await vi.waitFor(() => expect(got.leaving.value).toBe(true))
  fetched({ template: '<i />' })
  await going
  expect([got.leaving.value, got.missed.value]).toEqual([false, ''])
  await router.push('/lost?a=1').catch(() => undefined)
  expect([got.leaving.value, got.missed.value]).toEqual([false, '/lost?a=1'])
})
