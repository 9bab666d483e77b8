// @vitest-environment happy-dom
import { expect, it, vi } from 'vitest'
import { ref } from 'vue'
import { useFirstSteps, useShortcuts } from './useShortcuts'
import { used } from '@/testing/mounted'

const press = (key: string, at: Element = document.body): void =>
  void at.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true }))

it('goes where a key says, and opens the list of keys', async () => {
  const { got, router } = await used(() => useShortcuts(() => true))
  press('d')
  await vi.waitFor(() => expect(router.currentRoute.value.name).toBe('day'))
  press('?')
  expect(got.value).toBe(true)
})

it('leaves keys alone in a field, and where they are switched off', async () => {
  const works = ref(true)
  const { got } = await used(() => useShortcuts(() => works.value))
  press('?', document.body.appendChild(document.createElement('textarea')))
  works.value = false
  press('?')
  expect(got.value).toBe(false)
})

it('remembers on this device that the first steps were put away', async () => {
  const { got } = await used(() => useFirstSteps())
  expect(got.value).toBe(true)
  got.value = false
  await vi.waitFor(() => expect(localStorage.getItem('first-steps')).toBe('false'))
  localStorage.clear()
})
