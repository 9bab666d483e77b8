// @vitest-environment happy-dom
import { expect, it } from 'vitest'
import { useWords } from './useWords'
import { answers, used } from '@/testing/mounted'

it('asks for the trade’s words once', async () => {
  const calls = answers({ 'GET /api/words': { targets: [] } })
  const { got } = await used(() => [useWords(), useWords()])
  expect(got.map((w) => w.value)).toEqual([{ targets: [] }, { targets: [] }])
  expect(calls).toHaveLength(1)
})
