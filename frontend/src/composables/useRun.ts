import { useIntervalFn } from '@vueuse/core'
import { computed, type ComputedRef, onScopeDispose, ref, shallowRef, type Ref, type ShallowRef } from 'vue'
import { api, Refused, unwrap, type Schemas } from '@/api/client'
import { keepRun, keepTap, keptRun, markSent, noteTap, tapsOf, unsentTaps } from '@/logic/tapStore'
import { foldTaps, type Kind, type RunEvent, type Taps, type ValueOf } from '@/logic/tally'

const RETRY_MS = 3000
const BATCH = 200
const UNDONE_BY_UNDO = new Set<Kind>(['try', 'drop', 'mark', 'hold', 'grade', 'skip', 'hand', 'measure'])

/** The server's taps with times written as the tablet writes them, so that all of them sort as text. */
const asTapped = (events: RunEvent[]): RunEvent[] => events.map((e) => ({ ...e, at: new Date(e.at).toISOString() }))

export interface RunAtTable {
  run: ShallowRef<Schemas['RunOut'] | undefined>
  events: Ref<RunEvent[]>
  /** The events that count, folded once for all that shows them. */
  taps: ComputedRef<Taps>
  unsent: Ref<number>
  /** The last try to send found no server. */
  away: Ref<boolean>
  /** Taps that came when the note was signed: kept apart, never counted. */
  apart: Ref<number>
  refused: Ref<string>
  joined: Ref<string>
  signedOut: Ref<boolean>
  error: ShallowRef<Error | null>
  tap: <K extends Kind>(block: string, kind: K, value?: ValueOf<K>) => void
  undo: (block: string) => void
  flush: () => Promise<boolean>
}

/** A run at the table: every tap is kept on the tablet first and sent when the server can be reached. */
export function useRun(runId: string): RunAtTable {
  const run = shallowRef<Schemas['RunOut']>()
  const events: Ref<RunEvent[]> = ref([])
  const unsent = ref(0)
  const away = ref(false)
  const apart = ref(0)
  const refused = ref('')
  const joined = ref('')
  const signedOut = ref(false)
  const error = shallowRef<Error | null>(null)
  const taps = computed(() => foldTaps(events.value))
  const tabs = new BroadcastChannel(`run ${runId}`)
  tabs.onmessage = (message: MessageEvent<RunEvent>) =>
    join([message.data], 'This run is open in another tab too: its taps count here.')
  onScopeDispose(() => tabs.close())
  let sending: Promise<boolean> | undefined
  let keeping: Promise<unknown> = Promise.resolve()

  async function open(): Promise<void> {
    const here = await tapsOf(runId)
    try {
      run.value = await unwrap(api.GET('/api/runs/{run_id}', { params: { path: { run_id: runId } } }))
      await keepRun(run.value)
    } catch (problem) {
      run.value = problem instanceof Refused ? undefined : await keptRun(runId)
      if (!run.value) error.value = problem as Error
    }
    const known = new Map(asTapped(run.value?.events ?? []).map((e) => [e.id, e]))
    for (const e of [...here, ...events.value]) known.set(e.id, e)
    events.value = [...known.values()]
    await flush()
  }

  /** Take in taps made elsewhere on the same run; each counts once. */
  function join(others: RunEvent[], words: string): void {
    const here = new Set(events.value.map((e) => e.id))
    const fresh = others.filter((e) => !here.has(e.id))
    if (!fresh.length) return
    events.value = [...events.value, ...fresh]
    joined.value = words
  }

  async function catchUp(): Promise<void> {
    const now = await unwrap(api.GET('/api/runs/{run_id}', { params: { path: { run_id: runId } } }))
    join(asTapped(now.events), 'Another tablet is recording this session; both sets of taps have been merged.')
  }

  function tap<K extends Kind>(block: string, kind: K, value?: ValueOf<K>): void {
    const event = { id: crypto.randomUUID(), block, kind, at: new Date().toISOString(), value: value ?? {} } as RunEvent
    noteTap(runId, event)
    events.value.push(event)
    unsent.value += 1
    tabs.postMessage(JSON.parse(JSON.stringify(event)))
    keeping = keeping.then(() => keepTap(runId, event))
    void keeping.then(() => flush())
  }

  function undo(block: string): void {
    const last = taps.value.of(block).findLast((e) => UNDONE_BY_UNDO.has(e.kind))
    if (last) tap(block, 'undo', { event: last.id })
  }

  function flush(): Promise<boolean> {
    sending ??= send().finally(() => (sending = undefined))
    return sending
  }

  async function send(): Promise<boolean> {
    await keeping
    for (;;) {
      const waiting = await unsentTaps(runId)
      const batch = waiting.slice(0, BATCH)
      unsent.value = waiting.length
      if (!batch.length) return true
      try {
        const kept = await unwrap(
          api.POST('/api/runs/{run_id}/events', { params: { path: { run_id: runId } }, body: batch }),
        )
        await markSent([...kept.kept, ...kept.refused.map((r) => r.id)])
        away.value = false
        apart.value += kept.apart.length
        if (kept.total > events.value.length) await catchUp()
        if (kept.refused.length)
          refused.value = `${kept.refused.length} taps could not be counted: ${kept.refused[0]?.reason}`
        signedOut.value = false
      } catch (problem) {
        const answered = problem instanceof Refused && problem.status < 500
        signedOut.value = answered && (problem.status === 401 || problem.status === 403)
        away.value = !answered
        if (answered && !signedOut.value) refused.value = `The server does not take these taps: ${problem.message}`
        return false
      }
    }
  }

  useIntervalFn(() => void flush(), RETRY_MS)
  void open()
  return { run, events, taps, unsent, away, apart, refused, joined, signedOut, error, tap, undo, flush }
}
