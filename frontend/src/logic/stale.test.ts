import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { STALE_WITH, STAYS } from './stale'

/** The first part of every query key in the program. */
function keysIn(folder: string): Set<string> {
  const keys = new Set<string>()
  for (const entry of readdirSync(folder, { recursive: true, encoding: 'utf-8' })) {
    if (!/(?<!\.test)\.(ts|vue)$/.test(entry)) continue
    const source = readFileSync(join(folder, entry), 'utf-8')
    for (const [, key] of source.matchAll(/queryKey: (?:computed\(\(\) => )?\(?\[\s*'([a-z-]+)'/g)) keys.add(key!)
    for (const [, key] of source.matchAll(/const key = (?:computed\(\(\) => )?\(?\[\s*'([a-z-]+)'/g)) keys.add(key!)
  }
  return keys
}

describe('what goes stale with a child or a cupboard', () => {
  it('is decided for every query there is', () => {
    const decided = new Set<string>([...STALE_WITH.child, ...STALE_WITH.cupboard, ...STAYS])
    expect([...keysIn(join(import.meta.dirname, '..'))].filter((key) => !decided.has(key))).toEqual([])
  })

  it('holds all that a bench shows: old verdicts are never left standing', () => {
    for (const key of ['plan', 'pictures', 'against', 'swap-picture', 'swaps', 'forecast', 'here']) {
      expect(STALE_WITH.child).toContain(key)
      expect(STALE_WITH.cupboard).toContain(key)
    }
  })
})
