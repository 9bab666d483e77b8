// @vitest-environment happy-dom
import { expect, it } from 'vitest'
import { computed, shallowRef } from 'vue'
import type { RunAtTable } from './useRun'
import { useRunEnd } from './useRunEnd'
import { foldTaps } from '@/logic/tally'
import { answers, used } from '@/testing/mounted'

const table = (blocks: object[], sent = true): RunAtTable =>
  ({
    run: shallowRef({ blocks }),
    taps: computed(() => foldTaps([])),
    flush: async () => sent,
  }) as unknown as RunAtTable
const UNTOUCHED = { id: 'b0', sets: 1, count: 4 }
const ROUTES = { 'POST /api/runs/r1/finish': {}, 'POST /api/runs/r2/finish': {} }

it('asks first where activities are left, and ends every run of the table on the second press', async () => {
  const calls = answers(ROUTES)
  const { got, router } = await used(() => useRunEnd(['r1', 'r2'], [table([UNTOUCHED]), table([])]))
  await got.finish()
  expect([got.asks.value, got.left.value, calls.length]).toEqual([true, 1, 0])
  await got.finish()
  expect(calls.map((c) => c.route)).toEqual(Object.keys(ROUTES))
  expect(router.currentRoute.value.name).toBe('results')
})

it('ends no run while a tap could not be sent, and says why', async () => {
  const calls = answers(ROUTES)
  const { got } = await used(() => useRunEnd(['r1'], [table([], false)]))
  await got.finish()
  expect(calls).toHaveLength(0)
  expect(got.error.value!.message).toContain('cannot be reached')
})
