import { describe, expect, it } from 'vitest'
import { stacked } from './stacked'

describe('a stacked column', () => {
  it('shares out the whole from the bottom up, in the order given', () => {
    expect(stacked({ steadied: 1, alone: 3 }, ['alone', 'spoken', 'steadied'])).toEqual([
      { id: 'alone', from: 0, share: 0.75, count: 3 },
      { id: 'steadied', from: 0.75, share: 0.25, count: 1 },
    ])
  })

  it('has no pieces where nothing was tried', () => {
    expect(stacked({}, ['alone'])).toEqual([])
  })
})
