import { describe, expect, it } from 'vitest'
import { staleWith } from './stale'

describe('what goes stale with a child or a cupboard', () => {
  it('holds all that a bench shows: old verdicts are never left standing', () => {
    for (const key of ['plan', 'pictures', 'against', 'swap-picture', 'swaps', 'forecast', 'here']) {
      expect(staleWith('child')).toContain(key)
      expect(staleWith('cupboard')).toContain(key)
    }
  })

  it('leaves records of what was done, and people, as they are', () => {
    for (const key of ['note', 'results', 'people', 'me']) {
      expect(staleWith('child')).not.toContain(key)
      expect(staleWith('cupboard')).not.toContain(key)
    }
  })
})
