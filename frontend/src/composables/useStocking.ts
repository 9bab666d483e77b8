import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { useIntervalFn, watchDebounced } from '@vueuse/core'
import { computed, type ComputedRef, onBeforeUnmount, ref, type Ref } from 'vue'
import { useForget } from './useForget'
import { api, Refused, unwrap } from '@/api/client'

export interface Stocking {
  counts: ComputedRef<Record<string, number>>
  error: Ref<Error | null>
  /** Counts that the server has not got yet. */
  unsent: ComputedRef<number>
  set: (counts: Record<string, number>) => void
  flush: () => Promise<boolean>
}

const WAITS = 350 // ms after the last tap
const AGAIN = 4000 // ms after a try that did not reach the server

/** How many of each thing a home has, kept as one taps: what the server could not take stays here and is sent again. */
export function useStocking(homeId: () => number): Stocking {
  const queries = useQueryClient()
  const forget = useForget()
  const pending = ref<Record<string, number>>({})
  const sending = ref<Record<string, number>>({})
  const error = ref<Error | null>(null)
  const key = (id: number) => ['counts', id] as const
  const { data } = useQuery({
    queryKey: ['counts', homeId],
    queryFn: () => unwrap(api.GET('/api/homes/{home_id}/counts', { params: { path: { home_id: homeId() } } })),
  })
  const counts = computed(() => ({ ...data.value?.counts, ...sending.value, ...pending.value }))
  const unsent = computed(() => Object.keys({ ...sending.value, ...pending.value }).length)
  let busy: Promise<boolean> | null = null

  function set(changed: Record<string, number>): void {
    pending.value = { ...pending.value, ...changed }
  }

  async function send(): Promise<boolean> {
    const home = homeId()
    sending.value = pending.value
    pending.value = {}
    try {
      const body = { counts: sending.value }
      const now = await unwrap(api.PUT('/api/homes/{home_id}/counts', { params: { path: { home_id: home } }, body }))
      queries.setQueryData(key(home), now)
      error.value = null
      forget('cupboard')
      return true
    } catch (problem) {
      // What can't be kept is taken back and said; what did not get there waits for the next try.
      if (!(problem instanceof Refused)) pending.value = { ...sending.value, ...pending.value }
      error.value = problem as Error
      return false
    } finally {
      sending.value = {}
    }
  }

  async function flush(): Promise<boolean> {
    while (busy) await busy
    if (!Object.keys(pending.value).length) return true
    busy = send()
    const done = await busy
    busy = null
    return done
  }

  watchDebounced(pending, () => void flush(), { debounce: WAITS })
  useIntervalFn(() => unsent.value && void flush(), AGAIN)
  onBeforeUnmount(() => void flush())
  return { counts, error, unsent, set, flush }
}
