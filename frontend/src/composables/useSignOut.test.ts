// @vitest-environment happy-dom
import 'fake-indexeddb/auto'
import { flushPromises } from '@vue/test-utils'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { defineComponent, h, type Ref } from 'vue'
import { useRouter, type Router } from 'vue-router'
import type { Schemas } from '@/api/client'
import { useSignOut } from './useSignOut'
import { allUnsent, forgetRuns, keepRun, keepTap, keptRun, markSent, tapsOf } from '@/logic/tapStore'
import type { RunEvent } from '@/logic/tally'
import { answers, Refusal, shown, type Call } from '@/testing/mounted'
import { network } from '@/testing/setup'

const run = (id: string, child_name: string): Schemas['RunOut'] => ({ id, child_name }) as Schemas['RunOut']
const tap = (id: string): RunEvent =>
  ({ id, block: 'b0', kind: 'drop', at: '2026-03-02T09:00:00.000Z', value: {} }) as RunEvent

function onPage(): { signOut: () => Promise<void>; failed: Ref<string>; router: Router } {
  let held: ReturnType<typeof onPage> | undefined
  const Page = defineComponent({
    setup() {
      held = { ...useSignOut(), router: useRouter() }
      return () => h('i')
    },
  })
  shown(Page, {})
  return held!
}

beforeEach(async () => {
  await keepRun(run('r1', 'Wyn'))
  await keepTap('r1', tap('a'))
  await keepTap('r1', tap('b'))
  await markSent(['a'])
})
afterEach(async () => {
  await markSent(['a', 'b'])
  await forgetRuns()
})

describe('signing out', () => {
  it('sends what waits, and leaves no name and no tap on the device', async () => {
    const calls: Call[] = answers({
      'POST /api/runs/r1/events': { kept: ['b'], refused: [], total: 2 },
      'DELETE /api/session': {},
    })
    const page = onPage()
    await page.signOut()
    await flushPromises()
    expect(calls.map((c) => c.route)).toEqual(['POST /api/runs/r1/events', 'DELETE /api/session'])
    expect([await keptRun('r1'), await tapsOf('r1')]).toEqual([undefined, []])
    expect(page.router.currentRoute.value.fullPath).toBe('/sign-in')
  })

  it('keeps a refused tap on the device without the child’s name, and tells the user', async () => {
    answers({ 'POST /api/runs/r1/events': new Refusal(403), 'DELETE /api/session': {} })
    const page = onPage()
    await page.signOut()
    await flushPromises()
    expect(await keptRun('r1')).toBeUndefined()
    expect([...(await allUnsent()).values()].flat().map((e) => e.id)).toEqual(['b'])
    expect(page.router.currentRoute.value.query.waiting).toBe('1')
  })

  it('stays, with everything, where the server can’t be reached', async () => {
    network.answer = () => Promise.reject(new TypeError('no network'))
    const page = onPage()
    await page.signOut()
    expect(page.failed.value).toContain('still signed in')
    expect((await keptRun('r1'))?.child_name).toBe('Wyn')
    expect(await tapsOf('r1')).toHaveLength(2)
  })
})
