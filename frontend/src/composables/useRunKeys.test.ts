// @vitest-environment happy-dom
import { expect, it, vi, type Mock } from 'vitest'
import { useRunKeys } from './useRunKeys'
import { used } from '@/testing/mounted'

const NAMES = ['alone', 'helped', 'missed', 'otherGrip', 'drop', 'undo', 'next'] as const

it('takes keys and clickers, but no key held down, no browser key, and none typed into a field', async () => {
  const on = Object.fromEntries(NAMES.map((n) => [n, vi.fn()])) as Record<(typeof NAMES)[number], Mock<() => void>>
  await used(() => useRunKeys(on))
  const press = (key: string, more: KeyboardEventInit = {}, at: Element = document.body): void =>
    void at.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, ...more }))
  for (const key of ['1', 'PageDown', '2', '3', 'PageUp', '4', 'd', 'u', 'Backspace', 'n', 'x']) press(key)
  expect(NAMES.map((n) => on[n].mock.calls.length)).toEqual([2, 1, 2, 1, 1, 2, 1])
  press('1', { repeat: true })
  press('1', { ctrlKey: true })
  press('1', {}, document.body.appendChild(document.createElement('input')))
  expect(on.alone).toHaveBeenCalledTimes(2)
})
