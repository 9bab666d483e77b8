import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { useIntervalFn, useLocalStorage, watchDebounced } from '@vueuse/core'
import { computed, onBeforeUnmount, ref, watch, type ComputedRef, type Ref } from 'vue'
import { useMe } from '@/composables/useMe'
import { api, Refused, unwrap, type Schemas } from '@/api/client'

export type OwnEntry = Schemas['OwnOut']
export type Looked = Schemas['LookedOut']
/** A yes or no to a hazard’s question, signed by the server. */
export interface Answer {
  yes: boolean
  by?: string
  on?: string
}
export type Saved = 'saved' | 'saving' | 'unsaved'

export interface Own {
  entry: Ref<OwnEntry | undefined>
  /** What is being written; changed in place. */
  values: Ref<Schemas['OwnOut']['values'] | null>
  looked: ComputedRef<Looked | undefined>
  saved: ComputedRef<Saved>
  error: Ref<Error | null>
  busy: Ref<boolean>
  share: () => Promise<boolean>
  archive: (away: boolean) => Promise<void>
  dropDraft: () => Promise<void>
  takeNewest: () => void
}

const WAITS = 700 // ms after the last letter
const AGAIN = 4000 // ms after a try that did not reach the server

/** One of the clinic’s own activities or things while it is written: kept as one writes, on this device too until the server has it. */
export function useOwn(id: () => number): Own {
  const queries = useQueryClient()
  const entry = ref<OwnEntry>()
  const values = ref<OwnEntry['values'] | null>(null)
  const error = ref<Error | null>(null)
  const busy = ref(false)
  const { data: me } = useMe()
  const unsent = useLocalStorage<Record<string, OwnEntry['values']>>('own-unsent', {})
  const key = computed(() => `${me.value?.username}/${id()}`) // never the next person's to send
  let sending: Promise<void> | null = null
  let known = ''

  const query = useQuery({
    queryKey: ['own', id],
    queryFn: () => unwrap(api.GET('/api/own/{entry_id}', { params: { path: { entry_id: id() } } })),
    staleTime: Infinity,
    gcTime: 0,
  })
  watch([query.data, me], ([found]) => {
    if (!found || !me.value || entry.value) return
    entry.value = found
    known = JSON.stringify(found.values)
    const kept = unsent.value[key.value]
    values.value = JSON.parse(kept ? JSON.stringify(kept) : known) as OwnEntry['values']
  })
  watch(query.error, (problem) => (error.value = problem))

  const written = computed(() => (values.value ? JSON.stringify(values.value) : ''))
  const saved = computed<Saved>(() => {
    if (busy.value) return 'saving'
    return key.value in unsent.value ? 'unsaved' : 'saved'
  })

  function take(now: OwnEntry): void {
    entry.value = now
    for (const stale of [
      'own-list',
      'own-pictures',
      'activity-words',
      'library',
      'things',
      'shelves',
      'forecast',
      'words',
    ] as const) {
      void queries.invalidateQueries({ queryKey: [stale] })
    }
  }

  async function save(): Promise<void> {
    const now = entry.value
    if (!now || !values.value || !(key.value in unsent.value)) return
    const text = written.value
    busy.value = true
    try {
      const body = { values: values.value, version: now.version }
      take(await unwrap(api.PUT('/api/own/{entry_id}', { params: { path: { entry_id: now.id } }, body })))
      known = text
      error.value = null
      if (written.value === text) delete unsent.value[key.value]
    } catch (problem) {
      error.value = problem as Error
    } finally {
      busy.value = false
    }
  }

  async function flush(): Promise<void> {
    while (sending) await sending
    sending = save()
    await sending
    sending = null
  }

  watch(written, (text) => {
    if (text && text !== known && values.value) unsent.value[key.value] = JSON.parse(text) as OwnEntry['values']
    else if (text === known) delete unsent.value[key.value]
  })
  watchDebounced(written, () => void flush(), { debounce: WAITS })
  // What did not reach the server is sent again; what it refused waits for somebody to look.
  useIntervalFn(() => {
    if (key.value in unsent.value && !busy.value && !(error.value instanceof Refused)) void flush()
  }, AGAIN)
  onBeforeUnmount(() => void flush())

  const seen = ref('')
  watchDebounced(written, (text) => (seen.value = text), { debounce: 300, immediate: true })
  const look = useQuery({
    queryKey: ['own-look', seen],
    queryFn: () =>
      unwrap(
        api.POST('/api/own-look', {
          body: { kind: entry.value?.kind ?? 'activity', values: JSON.parse(seen.value) as OwnEntry['values'] },
        }),
      ),
    enabled: () => Boolean(seen.value),
    placeholderData: (before: Looked | undefined) => before,
    staleTime: Infinity,
    gcTime: 60_000,
  })

  async function act(work: (now: OwnEntry) => Promise<OwnEntry>): Promise<boolean> {
    await flush()
    const now = entry.value
    if (!now || key.value in unsent.value) return false
    busy.value = true
    try {
      take(await work(now))
      error.value = null
      return true
    } catch (problem) {
      error.value = problem as Error
      return false
    } finally {
      busy.value = false
    }
  }

  const at = (now: OwnEntry): { params: { path: { entry_id: number } }; body: { version: number } } => ({
    params: { path: { entry_id: now.id } },
    body: { version: now.version },
  })
  const share = (): Promise<boolean> => act((now) => unwrap(api.POST('/api/own/{entry_id}/share', at(now))))

  async function archive(away: boolean): Promise<void> {
    await act((now) =>
      unwrap(
        api.POST('/api/own/{entry_id}/archive', {
          params: { path: { entry_id: now.id } },
          body: { version: now.version, is_archived: away },
        }),
      ),
    )
  }

  async function dropDraft(): Promise<void> {
    if (await act((now) => unwrap(api.POST('/api/own/{entry_id}/drop-draft', at(now))))) restart()
  }

  function restart(): void {
    known = JSON.stringify(entry.value?.values ?? {})
    values.value = JSON.parse(known) as OwnEntry['values']
    delete unsent.value[key.value]
  }

  /** After somebody else wrote meanwhile: keep what is written here, over theirs. */
  function takeNewest(): void {
    if (error.value instanceof Refused && error.value.status === 409 && entry.value) {
      entry.value = { ...entry.value, version: Number(error.value.problem.theirs?.version) }
      error.value = null
      void flush()
    }
  }

  return {
    entry,
    values,
    looked: computed(() => look.data.value),
    saved,
    error,
    busy,
    share,
    archive,
    dropDraft,
    takeNewest,
  }
}
