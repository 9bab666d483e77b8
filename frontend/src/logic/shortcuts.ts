/** Keys that work wherever nothing is being typed; those of a run stand in composables/useRunKeys. */
export const SHORTCUTS = [
  {
    where: 'Anywhere',
    keys: [
      { key: 'Ctrl K', does: 'go to any child, page or action' },
      { key: '/', does: 'find a child by first letters' },
      { key: 'c', does: 'the children' },
      { key: 'd', does: 'the day' },
      { key: 'n', does: 'a new child' },
      { key: '?', does: 'this list' },
    ],
  },
  {
    where: 'In a run',
    keys: [
      { key: '1', does: 'on their own' },
      { key: '2', does: 'with help' },
      { key: '3', does: 'not yet' },
      { key: '4', does: 'reached, with another grip' },
      { key: 'd', does: 'dropped' },
      { key: 'u', does: 'undo' },
      { key: 'n', does: 'the next activity' },
    ],
  },
] as const

/** Whether a key was meant as a shortcut: not typed into a field, and without a modifier. */
export function isShortcut(event: Pick<KeyboardEvent, 'ctrlKey' | 'metaKey' | 'altKey'>, on: HTMLElement): boolean {
  const typing = on.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(on.tagName)
  return !typing && !event.ctrlKey && !event.metaKey && !event.altKey
}
