import 'fake-indexeddb/auto'
import { IDBFactory } from 'fake-indexeddb'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope, type EffectScope } from 'vue'
import type { RunAtTable } from './useRun'
import { localStorageStub, until } from '@/testing/browser'

/** A server that keeps taps once, as the real one does, and can be out of reach or refuse. */
const server = {
  kept: new Map<string, Record<string, unknown>>(),
  batches: [] as number[],
  reachable: true,
  signedIn: true,
  noteSigned: false,
  refusesAll: false,
  refuses: new Set<string>(),
  frozen: false,
}

class Refused extends Error {
  constructor(
    readonly status: number,
    readonly problem: object = {},
  ) {
    super('refused')
  }
}

const RUN = { id: 'r0', child_name: 'Wyn', blocks: [{ id: 'b0' }, { id: 'b1' }] }

vi.mock('@/api/client', () => ({
  Refused,
  unwrap: (answer: Promise<unknown>) => answer,
  api: {
    GET: async () => {
      if (!server.reachable) throw new TypeError('no network')
      return { ...RUN, events: [...server.kept.values()] }
    },
    POST: async (
      _path: string,
      { params, body }: { params: { path: { run_id: string } }; body: { id: string; kind: string }[] },
    ) => {
      if (params.path.run_id !== RUN.id) throw new TypeError('of a test that is over')
      if (!server.reachable) throw new TypeError('no network')
      if (!server.signedIn) throw new Refused(401)
      if (server.refusesAll) throw new Refused(422)
      server.batches.push(body.length)
      const refused = body
        .filter((e) => server.refuses.has(e.kind))
        .map((e) => ({ id: e.id, reason: 'of an unknown kind' }))
      const gone = new Set(refused.map((r) => r.id))
      for (const e of body) if (!gone.has(e.id)) server.kept.set(e.id, e)
      return {
        kept: body.map((e) => e.id).filter((id) => !gone.has(id)),
        apart: server.noteSigned ? body.map((e) => e.id) : [],
        refused,
        total: server.kept.size,
      }
    },
  },
}))

let scopes: EffectScope[] = []

/** The run as one tab of a tablet holds it. */
async function tab(): Promise<RunAtTable> {
  const { useRun } = await import('./useRun')
  const scope = effectScope()
  scopes.push(scope)
  return scope.run(() => useRun(RUN.id))!
}
const closeAll = (): void => {
  scopes.forEach((s) => s.stop())
  scopes = []
}
const attempt = (table: RunAtTable, outcome: 'success' | 'miss' = 'success'): void =>
  table.tap('b0', 'try', { outcome, support: 'alone', grade: [0], hand: 'right', help_first: false, other_grip: false })

beforeEach(() => {
  vi.resetModules()
  RUN.id = `r${Number(RUN.id.slice(1)) + 1}` // a run of its own: nothing of the test before reaches it
  vi.stubGlobal('indexedDB', new IDBFactory())
  vi.stubGlobal('localStorage', localStorageStub())
  server.kept.clear()
  server.batches = []
  Object.assign(server, { reachable: true, signedIn: true, noteSigned: false, refusesAll: false })
  server.refuses.clear()
})
afterEach(() => {
  closeAll()
  vi.unstubAllGlobals()
})

describe('a run at the table', () => {
  it('keeps every tap on the tablet and sends it once', async () => {
    const table = await tab()
    await until(() => Boolean(table.run.value))
    attempt(table)
    attempt(table, 'miss')
    await until(() => table.unsent.value === 0 && server.kept.size === 2)
    await table.flush()
    expect([...server.kept.values()].map((e) => (e.value as { outcome: string }).outcome).toSorted()).toEqual([
      'miss',
      'success',
    ])
    expect(table.events.value).toHaveLength(2)
  })

  it('says how many taps came after the note was signed', async () => {
    const table = await tab()
    await until(() => Boolean(table.run.value))
    server.noteSigned = true
    attempt(table)
    await until(() => table.apart.value === 1 && table.unsent.value === 0)
    expect(table.refused.value).toBe('')
  })

  it('says that there is no network, and says a refusal instead of waiting in silence', async () => {
    const table = await tab()
    await until(() => Boolean(table.run.value))
    server.reachable = false
    attempt(table)
    await until(() => table.away.value)
    Object.assign(server, { reachable: true, refusesAll: true })
    expect(await table.flush()).toBe(false)
    expect([table.away.value, table.refused.value]).toEqual([
      false,
      expect.stringContaining('The server does not take these taps'),
    ])
    server.refusesAll = false
    expect(await table.flush()).toBe(true)
  })

  it('holds what could not be sent, and sends all of it when the server is back', async () => {
    const table = await tab()
    await until(() => Boolean(table.run.value))
    server.reachable = false
    for (let n = 0; n < 5; n += 1) attempt(table)
    await until(() => table.unsent.value === 5)
    expect(await table.flush()).toBe(false)
    expect(server.kept.size).toBe(0)
    server.reachable = true
    expect(await table.flush()).toBe(true)
    expect([server.kept.size, table.unsent.value]).toEqual([5, 0])
  })

  it('finds run and taps again after a reload without a network', async () => {
    const table = await tab()
    await until(() => Boolean(table.run.value))
    server.reachable = false
    attempt(table)
    await until(() => table.unsent.value === 1)
    await table.flush()
    closeAll()
    const again = await tab()
    await until(() => Boolean(again.run.value))
    expect(again.run.value?.child_name).toBe('Wyn')
    expect(again.events.value).toHaveLength(1)
    server.reachable = true
    expect(await again.flush()).toBe(true)
    expect(server.kept.size).toBe(1)
  })

  it('finds a tap that was only written down when the page went away', async () => {
    localStorage.setItem(
      'tap e1',
      JSON.stringify({
        run: RUN.id,
        event: { id: 'e1', block: 'b0', kind: 'drop', at: '2026-03-02T09:00:00.000Z', value: {} },
      }),
    )
    const table = await tab()
    await until(() => server.kept.has('e1'))
    expect(table.events.value.map((e) => e.id)).toEqual(['e1'])
    expect(localStorage.getItem('tap e1')).toBeNull()
  })

  it('says what was refused, and does not send it for ever', async () => {
    const table = await tab()
    await until(() => Boolean(table.run.value))
    server.refuses.add('drop')
    table.tap('b0', 'drop')
    attempt(table)
    await until(() => table.unsent.value === 0)
    expect(table.refused.value).toContain('of an unknown kind')
    const sent = server.batches.length
    await table.flush()
    expect(server.batches).toHaveLength(sent)
    expect(server.kept.size).toBe(1)
  })

  it('says that one is signed out, and sends the taps after signing in again', async () => {
    const table = await tab()
    await until(() => Boolean(table.run.value))
    server.signedIn = false
    attempt(table)
    await until(() => table.signedOut.value)
    expect(server.kept.size).toBe(0)
    server.signedIn = true
    await table.flush()
    expect([table.signedOut.value, server.kept.size]).toEqual([false, 1])
  })

  it('takes back the last tap that stands, one after the other', async () => {
    const table = await tab()
    await until(() => Boolean(table.run.value))
    attempt(table)
    await new Promise((done) => setTimeout(done, 2)) // taps are told apart by the millisecond
    attempt(table)
    await new Promise((done) => setTimeout(done, 2))
    const [first, second] = table.events.value.map((e) => e.id)
    table.undo('b0')
    await new Promise((done) => setTimeout(done, 2))
    table.undo('b0')
    table.undo('b1')
    const undone = table.events.value.filter((e) => e.kind === 'undo').map((e) => (e.value as { event: string }).event)
    expect(undone).toEqual([second, first])
  })

  it('takes in what another tablet counted', async () => {
    const table = await tab()
    await until(() => Boolean(table.run.value))
    server.kept.set('x', { id: 'x', block: 'b0', kind: 'drop', at: '2026-03-02T09:00:00Z', value: {} })
    attempt(table)
    await until(() => table.joined.value !== '')
    expect(table.joined.value).toContain('Another tablet')
    expect(table.events.value.map((e) => e.kind).toSorted()).toEqual(['drop', 'try'])
  })

  it('counts a tap of another tab of the same tablet once', async () => {
    const one = await tab()
    const two = await tab()
    await until(() => Boolean(one.run.value && two.run.value))
    attempt(one)
    await until(() => two.events.value.length === 1)
    expect(two.joined.value).toContain('another tab')
    await until(() => one.unsent.value === 0)
    await two.flush()
    expect(server.kept.size).toBe(1)
    expect(two.events.value).toHaveLength(1)
  })
})
