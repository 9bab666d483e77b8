// @vitest-environment happy-dom
import { describe, expect, it } from 'vitest'
import { api, unwrap } from './client'
import { network } from '@/testing/setup'

/** Answer each POST by what comes next: a status, or no network at all. Returns the keys that were sent. */
function answering(...next: (number | 'gone')[]): (string | null)[] {
  const keys: (string | null)[] = []
  network.answer = async (request: Request) => {
    keys.push(request.headers.get('Idempotency-Key'))
    await request.text() // a body that was sent can't be read again
    const status = next.shift() ?? 200
    if (status === 'gone') throw new TypeError('no network')
    return new Response('{}', { status, headers: { 'Content-Type': 'application/json' } })
  }
  return keys
}
const plan = (minutes: number): Promise<unknown> => {
  const body = { minutes, targets: [], home_id: 1 } as never
  return unwrap(api.POST('/api/children/{child_id}/plans', { params: { path: { child_id: 1 } }, body })).catch(
    () => undefined,
  )
}

describe('a write', () => {
  it('keeps its key until it is answered, through a lost network and a fault', async () => {
    const keys = answering('gone', 503, 200)
    for (let n = 0; n < 3; n += 1) await plan(20)
    expect(keys[0]).toMatch(/^[0-9a-f-]{36}$/)
    expect(new Set(keys).size).toBe(1)
  })

  it('pressed twice while it is under way is one', async () => {
    const keys = answering()
    await Promise.all([plan(20), plan(20)])
    expect(new Set(keys).size).toBe(1)
  })

  it('is another one after an answer, a refusal too, and with another body', async () => {
    const keys = answering(422)
    await plan(20)
    await plan(20)
    await plan(20)
    await plan(25)
    expect(new Set(keys).size).toBe(4)
  })

  it('of taps needs none, and reading neither', async () => {
    const keys = answering()
    const path = { run_id: crypto.randomUUID() }
    await unwrap(api.POST('/api/runs/{run_id}/events', { params: { path }, body: [] }))
    await unwrap(api.GET('/api/me'))
    expect(keys).toEqual([null, null])
  })
})
