// @vitest-environment happy-dom
import { flushPromises } from '@vue/test-utils'
import { expect, it } from 'vitest'
import { ref } from 'vue'
import { useLibrary } from './useLibrary'
import { answers, used } from '@/testing/mounted'

it('asks for a library only where it is wanted, and again for another home', async () => {
  const calls = answers({ 'GET /api/children/3/library': [] })
  const [home, wanted] = [ref(1), ref(false)]
  await used(() =>
    useLibrary(
      () => 3,
      () => home.value,
      () => wanted.value,
    ),
  )
  expect(calls).toHaveLength(0)
  wanted.value = true
  await flushPromises()
  expect(calls).toHaveLength(1)
  home.value = 2
  await flushPromises()
  expect(calls).toHaveLength(2)
})
