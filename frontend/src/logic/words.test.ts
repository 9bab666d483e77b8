import { describe, expect, it } from 'vitest'
import type { Schemas } from '@/api/client'
import { byReason } from './hazards'
import { ageWords, daysAgo, handWords, minutesWords, rungWords, placeWords } from './words'

describe('words', () => {
  it('says ages in months for the youngest, in years and months after', () => {
    expect([18.4, 24, 58.9].map(ageWords)).toEqual(['18 months', '2 years', '4 y 10 m'])
  })

  it('says how long ago', () => {
    const now = new Date('2026-03-30T08:00:00Z')
    expect(['2026-03-30', '2026-03-29', '2026-03-20', '2026-02-02'].map((d) => daysAgo(d, now))).toEqual([
      'today',
      'yesterday',
      '10 days ago',
      '8 weeks ago',
    ])
  })

  it('keeps units with numbers', () => {
    expect(minutesWords(35)).toBe('35 min')
    expect(minutesWords(34.5)).toBe('34.5 min')
    expect(rungWords(4.26, 5)).toBe('4.3')
    expect(handWords('not_settled')).toBe('hand not settled')
  })
})

describe('rungs off the ladder', () => {
  it('says under and over instead of a rung there is none of', () => {
    expect(rungWords(0.2)).toBe('under 1')
    expect(rungWords(6.1, 5)).toBe('over 5')
    expect(rungWords(5.4, 5)).toBe('5.4')
  })
})

describe('reasons', () => {
  it('says a shared reason once, the most common first', () => {
    const item = (id: number, reason?: string) =>
      ({ id, verdict: { status: 'caution', hits: reason ? [{ reason }] : [] } }) as unknown as Schemas['ItemOut']
    const groups = byReason([item(1, 'sharp'), item(2, 'small'), item(3, 'small'), item(4)])
    expect(groups.map((g) => [g.reason, g.items.length])).toEqual([
      ['small', 2],
      ['sharp', 1],
      ['', 1],
    ])
  })
})

describe('the place of a fault', () => {
  it('is said as one would say it', () => {
    expect(placeWords('axes.0.steps.2.adds')).toBe('Grading 1, steps 3, rungs it adds')
    expect([placeWords('does'), placeWords('name')]).toEqual(['What the child does', 'Name'])
  })
})
