import { useEventListener } from '@vueuse/core'

/**
 * Keys and clickers: 1 or Page Down alone, 2 with help, 3 or Page Up not yet, 4 reached with another grip, D dropped,
 * U or Backspace undo, N next.
 */
export function useRunKeys(
  on: Record<'alone' | 'helped' | 'missed' | 'otherGrip' | 'drop' | 'undo' | 'next', () => unknown>,
): void {
  const keys: Record<string, () => unknown> = {
    '1': on.alone,
    PageDown: on.alone,
    '2': on.helped,
    '3': on.missed,
    PageUp: on.missed,
    '4': on.otherGrip,
    d: on.drop,
    u: on.undo,
    Backspace: on.undo,
    n: on.next,
  }
  useEventListener(document, 'keydown', (event: KeyboardEvent) => {
    const action = keys[event.key]
    if (
      !action ||
      event.repeat ||
      event.ctrlKey ||
      event.metaKey ||
      (event.target as HTMLElement).matches('input, textarea')
    )
      return
    event.preventDefault()
    action()
  })
}
