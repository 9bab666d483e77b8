// @vitest-environment happy-dom
import { flushPromises } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import { stretched, useBench } from './useBench'
import { answers, Refusal, used } from '@/testing/mounted'

const block = (activity_id: string, sets = 2): Record<string, unknown> => ({
  part: 'main',
  activity_id,
  grade: [1, 0],
  sets,
  locked: false,
})
const PLAN = { id: 'p1', version: 4, blocks: [block('pegs'), block('dough')] }
const AFTER = { id: 'p1', version: 5, blocks: [block('pegs', 3), block('dough')] }

describe('a plan on the bench', () => {
  it('sends the whole row with its version, and shows what the server kept', async () => {
    const calls = answers({ 'GET /api/plans/p1': PLAN, 'PUT /api/plans/p1/blocks': AFTER })
    const { got } = await used(() => useBench('p1'))
    expect(await got.alter('pegs', () => ({ sets: 3 }))).toBe(true)
    expect(calls.at(-1)!.body).toEqual({ version: 4, blocks: AFTER.blocks })
    expect(got.plan.value!.version).toBe(5)
  })

  it('takes a change back, and puts it in again', async () => {
    const routes: Record<string, unknown> = { 'GET /api/plans/p1': PLAN, 'PUT /api/plans/p1/blocks': AFTER }
    const calls = answers(routes)
    const { got } = await used(() => useBench('p1'))
    await got.alter('pegs', () => ({ sets: 3 }))
    expect([got.canUndo.value, got.canRedo.value]).toEqual([true, false])
    routes['PUT /api/plans/p1/blocks'] = { ...PLAN, version: 6 }
    await got.undo()
    expect(calls.at(-1)!.body).toEqual({ version: 5, blocks: PLAN.blocks })
    expect([got.canUndo.value, got.canRedo.value]).toEqual([false, true])
    await got.redo()
    expect(calls.at(-1)!.body).toEqual({ version: 6, blocks: AFTER.blocks })
  })

  it('makes changes one after the other, each from the row the last one left', async () => {
    const routes: Record<string, unknown> = { 'GET /api/plans/p1': PLAN, 'PUT /api/plans/p1/blocks': AFTER }
    const calls = answers(routes)
    const { got } = await used(() => useBench('p1'))
    await Promise.all([got.alter('pegs', () => ({ sets: 3 })), got.alter('dough', () => ({ sets: 1 }))])
    const second = calls.filter((c) => c.route.startsWith('PUT'))[1]!.body
    expect(second).toEqual({ version: 5, blocks: [block('pegs', 3), block('dough', 1)] })
  })

  it('says why a change was refused, and keeps no step to take back', async () => {
    answers({ 'GET /api/plans/p1': PLAN, 'PUT /api/plans/p1/blocks': new Refusal(409, '', 'Somebody else was here.') })
    const { got } = await used(() => useBench('p1'))
    expect(await got.alter('pegs', () => ({ sets: 3 }))).toBe(false)
    await flushPromises()
    expect(got.error.value!.message).toContain('Somebody else was here.')
    expect(got.canUndo.value).toBe(false)
  })

  it('stretches a block within its sets', () => {
    expect([stretched(1, -1, 4), stretched(2, 1, 4), stretched(4, 1, 4)]).toEqual([1, 3, 4])
  })
})
