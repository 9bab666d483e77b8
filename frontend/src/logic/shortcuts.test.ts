import { describe, expect, it } from 'vitest'
import { isShortcut, SHORTCUTS } from './shortcuts'

const on = (tagName: string, isContentEditable = false): HTMLElement => ({ tagName, isContentEditable }) as HTMLElement
const plain = { ctrlKey: false, metaKey: false, altKey: false }

describe('a key', () => {
  it('is a shortcut on the page, and a letter in a field', () => {
    expect(isShortcut(plain, on('BODY'))).toBe(true)
    for (const tag of ['INPUT', 'TEXTAREA', 'SELECT']) expect(isShortcut(plain, on(tag))).toBe(false)
    expect(isShortcut(plain, on('DIV', true))).toBe(false)
  })
  it('belongs to the browser with a modifier', () => {
    for (const key of ['ctrlKey', 'metaKey', 'altKey'] as const)
      expect(isShortcut({ ...plain, [key]: true }, on('BODY'))).toBe(false)
  })
  it('does one thing only in one place', () => {
    for (const group of SHORTCUTS) expect(new Set(group.keys.map((k) => k.key)).size).toBe(group.keys.length)
  })
})
