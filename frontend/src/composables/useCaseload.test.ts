// @vitest-environment happy-dom
import { flushPromises } from '@vue/test-utils'
import { expect, it } from 'vitest'
import { reactive } from 'vue'
import { everyChild, useCaseload } from './useCaseload'
import { answers, used } from '@/testing/mounted'

it('keeps the page that stands until the next has come', async () => {
  const routes: Record<string, unknown> = { 'GET /api/caseload': { total: 2 } }
  answers(routes)
  const ask = reactive({ ...everyChild })
  const { got } = await used(() => useCaseload(() => ({ ...ask })))
  expect(got.data.value).toEqual({ total: 2 })
  routes['GET /api/caseload'] = { total: 1 }
  ask.letters = 'Wy'
  await Promise.resolve()
  expect(got.data.value).toEqual({ total: 2 })
  await flushPromises()
  expect(got.data.value).toEqual({ total: 1 })
})
