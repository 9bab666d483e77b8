import { describe, expect, it } from 'vitest'
import { Refused, Unreachable } from '@/api/client'
import { useDoing } from './useDoing'

const refused = (status: number, more: object = {}): Refused =>
  new Refused(status, { title: 'Not saved', status, detail: 'No.', fields: [], theirs: null, yours: null, ...more })
const fails = (error: Error) => (): Promise<never> => Promise.reject(error)

describe('one thing asked of the server', () => {
  it('is busy while it goes on, and hands back what came', async () => {
    const { busy, doing, error } = useDoing()
    const going = doing(() => Promise.resolve(7))
    expect(busy.value).toBe(true)
    expect(await going).toBe(7)
    expect([busy.value, error.value]).toEqual([false, null])
  })

  it('keeps a refusal at its field, and apart where it names none', async () => {
    const { at, apart, doing } = useDoing()
    await doing(fails(refused(422, { fields: [{ field: 'name', value: '', reason: 'Empty.', remedy: 'Write one.' }] })))
    expect([at('name'), at('kind'), apart.value]).toEqual(['Empty. Write one.', '', null])
    await doing(fails(refused(403)))
    expect([at('name'), apart.value?.message]).toEqual(['', 'No.'])
  })

  it('shows a lost connection beside the button, and forgets it with the next try', async () => {
    const { apart, doing } = useDoing()
    await doing(fails(new Unreachable('Not now.')))
    expect(apart.value?.message).toBe('Not now.')
    await doing(() => Promise.resolve(null))
    expect(apart.value).toBeNull()
  })

  it('takes the newest version after a stale edit, and after nothing else', async () => {
    const { doing, newest } = useDoing()
    const form = { version: 1 }
    await doing(fails(refused(422, { theirs: { version: 9 } })))
    newest(form)
    expect(form.version).toBe(1)
    await doing(fails(refused(409, { theirs: { version: 4 } })))
    newest(form)
    expect(form.version).toBe(4)
  })
})
