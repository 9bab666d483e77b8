// @vitest-environment happy-dom
import { expect, it } from 'vitest'
import { useChild, useChildChanged, type Child } from './useChild'
import { answers, used } from '@/testing/mounted'

it('puts a changed child in place without asking for it, and asks again for what was worked out from it', async () => {
  const calls = answers({ 'GET /api/children/3': { id: 3, first_name: 'Wyn' } })
  const { got, queries } = await used(() => ({ child: useChild(3), changed: useChildChanged() }), { plan: 'old' })
  expect(got.child.data.value!.first_name).toBe('Wyn')
  got.changed({ id: 3, first_name: 'Wynn' } as Child)
  expect(got.child.data.value!.first_name).toBe('Wynn')
  expect(calls).toHaveLength(1)
  expect(queries.getQueryState(['plan'])!.isInvalidated).toBe(true)
})
