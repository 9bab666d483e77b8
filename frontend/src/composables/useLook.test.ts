import 'fake-indexeddb/auto'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { shallowRef } from 'vue'
import type { Schemas } from '@/api/client'
import { useLook } from './useLook'

const answers: { run: { id: string; blocks: number[] }; ended: string }[] = []
let asked = 0

vi.mock('@/api/client', () => ({
  Refused: class extends Error {},
  unwrap: (answer: Promise<unknown>) => answer,
  api: {
    POST: async () => {
      asked += 1
      return answers.shift()
    },
  },
}))

const run = shallowRef<Schemas['RunOut']>()

beforeEach(() => {
  asked = 0
  answers.length = 0
  run.value = { id: 'r1', blocks: [1] } as unknown as Schemas['RunOut']
})

describe('a first look', () => {
  it('goes on to the set that was chosen, and ends when it is over', async () => {
    const { more, over } = useLook('r1', run, () => Promise.resolve(true))
    answers.push(
      { run: { id: 'r1', blocks: [1, 2] }, ended: '' },
      { run: { id: 'r1', blocks: [1, 2] }, ended: 'The time is up.' },
    )
    expect(await more()).toBe(true)
    expect(run.value?.blocks).toHaveLength(2)
    expect(await more()).toBe(false)
    expect(over.value).toBe('The time is up.')
    expect(await more()).toBe(false)
    expect(asked).toBe(2)
  })

  it('asks for nothing before the taps are sent, and says so', async () => {
    const { more, error } = useLook('r1', run, () => Promise.resolve(false))
    expect(await more()).toBe(false)
    expect(asked).toBe(0)
    expect(error.value?.message).toContain('every tap is kept')
  })

  it('asks once, however often it is pressed meanwhile', async () => {
    const { more } = useLook('r1', run, () => Promise.resolve(true))
    answers.push({ run: { id: 'r1', blocks: [1, 2] }, ended: '' })
    expect(await Promise.all([more(), more(), more()])).toEqual([true, false, false])
    expect(asked).toBe(1)
  })
})
