// @vitest-environment happy-dom
import { expect, it } from 'vitest'
import { useGoIn, useSetup } from './useSetup'
import type { Schemas } from '@/api/client'
import { answers, used } from '@/testing/mounted'

it('knows whether there is a clinic', async () => {
  answers({ 'GET /api/setup': { is_new: true } })
  const { got } = await used(() => useSetup())
  expect(got.data.value).toEqual({ is_new: true })
})

it('goes in with nothing left over of whoever was signed in before', async () => {
  const { got, queries, router } = await used(() => useGoIn(), { caseload: 'of somebody else' }, '/sign-in')
  await got({ username: 'tove' } as Schemas['Me'], '/day/2026-03-02')
  expect(queries.getQueryData(['caseload'])).toBeUndefined()
  expect(queries.getQueryData(['me'])).toEqual({ username: 'tove' })
  expect(router.currentRoute.value.name).toBe('day')
})
