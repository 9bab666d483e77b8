// @vitest-environment happy-dom
import { expect, it } from 'vitest'
import { useMay } from './useMay'
import { answers, Refusal, used } from '@/testing/mounted'

it('allows what the server allows this person, and nothing before it has answered', async () => {
  const { got } = await used(() => useMay(), { me: { may: ['child.add'] } })
  expect([got('child.add'), got('audit.read')]).toEqual([true, false])
  answers({ 'GET /api/me': new Refusal(503) })
  expect((await used(() => useMay())).got('child.add')).toBe(false)
})
