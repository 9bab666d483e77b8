import { describe, expect, it } from 'vitest'
import { deviceWords, momentWords, ROLES } from './people'

describe('a device', () => {
  it('is told by what its browser says it is', () => {
    expect(deviceWords('Mozilla/5.0 (iPad; CPU OS 17_0) Mobile/15E148')).toBe('A phone or tablet')
    expect(deviceWords('Mozilla/5.0 (Android 14; Tablet; rv:120)')).toBe('A phone or tablet')
    expect(deviceWords('Mozilla/5.0 (X11; Linux x86_64)')).toBe('A computer')
    expect(deviceWords('')).toBe('A computer')
  })
})

describe('roles and moments', () => {
  it('have words where a sentence wants them', () => {
    expect(Object.values(ROLES).map((r) => r.one)).toEqual(['a lead', 'a therapist', 'an assistant'])
    expect(momentWords('2026-03-02T09:05:00')).toBe('2 Mar, 09:05')
  })
})
