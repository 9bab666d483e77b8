import { openDB, type DBSchema, type IDBPDatabase } from 'idb'
import type { Schemas } from '@/api/client'
import type { RunEvent } from './tally'

interface Kept {
  id: string
  run: string
  event: RunEvent
  sent: 0 | 1
}

interface TapStore extends DBSchema {
  taps: { key: string; value: Kept; indexes: { run: string; unsent: [string, number] } }
  runs: { key: string; value: Schemas['RunOut'] }
}

let opened: Promise<IDBPDatabase<TapStore>> | undefined

function store(): Promise<IDBPDatabase<TapStore>> {
  opened ??= openDB<TapStore>('pollicor', 1, {
    upgrade(db) {
      const taps = db.createObjectStore('taps', { keyPath: 'id' })
      taps.createIndex('run', 'run')
      taps.createIndex('unsent', ['run', 'sent'])
      db.createObjectStore('runs', { keyPath: 'id' })
    },
  })
  return opened
}

const JOURNAL = 'tap '

/** Write a tap down at once, before the store has opened: a reload a moment later finds it. */
export function noteTap(run: string, event: RunEvent): void {
  localStorage.setItem(JOURNAL + event.id, JSON.stringify({ run, event }))
}

/** Keep a tap on the tablet before anything else happens to it. */
export async function keepTap(run: string, event: RunEvent): Promise<void> {
  await (await store()).put('taps', { id: event.id, run, event: structuredClone(event), sent: 0 })
  localStorage.removeItem(JOURNAL + event.id)
}

/** Bring into the store what was written down but not stored before a reload. */
async function recover(): Promise<void> {
  const noted = Object.keys(localStorage).filter((key) => key.startsWith(JOURNAL))
  for (const key of noted) {
    const { run, event } = JSON.parse(localStorage.getItem(key) ?? '{}') as { run: string; event: RunEvent }
    if (!(await (await store()).get('taps', event.id))) await keepTap(run, event)
    else localStorage.removeItem(key)
  }
}

export async function tapsOf(run: string): Promise<RunEvent[]> {
  await recover()
  return (await (await store()).getAllFromIndex('taps', 'run', run)).map((k) => k.event)
}

export async function unsentTaps(run: string): Promise<RunEvent[]> {
  return (await (await store()).getAllFromIndex('taps', 'unsent', [run, 0])).map((k) => k.event)
}

export async function markSent(ids: string[]): Promise<void> {
  const tx = (await store()).transaction('taps', 'readwrite')
  for (const id of ids) {
    const kept = await tx.store.get(id)
    if (kept) await tx.store.put({ ...kept, sent: 1 })
  }
  await tx.done
}

/** Taps that no server has yet, of any run. */
export async function allUnsent(): Promise<Map<string, RunEvent[]>> {
  await recover()
  const byRun = new Map<string, RunEvent[]>()
  for (const kept of await (await store()).getAll('taps'))
    if (!kept.sent) byRun.set(kept.run, [...(byRun.get(kept.run) ?? []), kept.event])
  return byRun
}

/** Forget every run, with the child's name, and every tap that was sent. A tap that was not is only here: it stays. */
export async function forgetRuns(): Promise<void> {
  const tx = (await store()).transaction(['runs', 'taps'], 'readwrite')
  await tx.objectStore('runs').clear()
  for (const kept of await tx.objectStore('taps').getAll()) if (kept.sent) await tx.objectStore('taps').delete(kept.id)
  await tx.done
}

export async function keepRun(run: Schemas['RunOut']): Promise<void> {
  await (await store()).put('runs', JSON.parse(JSON.stringify(run)) as Schemas['RunOut'])
}

export async function keptRun(id: string): Promise<Schemas['RunOut'] | undefined> {
  return (await store()).get('runs', id)
}
