// @vitest-environment happy-dom
import { flushPromises } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import { defineComponent, h } from 'vue'
import { useGrade, type GradeHere } from './useGrade'
import { shown } from '@/testing/mounted'
import { network } from '@/testing/setup'

describe('a dial', () => {
  it('turned on gives up what it asked before, and shows the last answer', async () => {
    const asked: { request: Request; answer: (words: string) => void }[] = []
    network.answer = (request) =>
      new Promise((resolve) => {
        asked.push({
          request,
          answer: (words) =>
            resolve(
              new Response(JSON.stringify({ why_not: words }), { headers: { 'Content-Type': 'application/json' } }),
            ),
        })
      })
    let here: GradeHere | undefined
    shown(
      defineComponent(() => {
        here = useGrade(
          () => 3,
          () => 1,
          () => 'peg_fence',
          [0, 0],
        )
        return () => h('i')
      }),
      {},
    )
    await flushPromises()
    here!.turn(0, 1)
    await flushPromises()
    expect(asked.map((a) => a.request.signal.aborted)).toEqual([true, false])
    asked[1]!.answer('too wide')
    await flushPromises()
    expect(here!.data.value?.why_not).toBe('too wide')
    expect(here!.error.value).toBeNull()
  })
})
