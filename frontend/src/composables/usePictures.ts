import { useQueries } from '@tanstack/vue-query'
import { computed, type ComputedRef } from 'vue'
import { api, unwrap } from '@/api/client'

const AT_ONCE = 12

const inDozens = <T>(ids: T[]): T[][] =>
  Array.from({ length: Math.ceil(ids.length / AT_ONCE) }, (_, i) => ids.slice(i * AT_ONCE, (i + 1) * AT_ONCE))

/** Pictures of what the clinic made, by number, fetched a dozen at a time. */
export function useOwnPictures(shown: () => number[]): ComputedRef<Record<string, string>> {
  const dozens = computed(() => inDozens(shown()))
  const fetched = useQueries({
    queries: computed(() =>
      dozens.value.map((id) => ({
        queryKey: ['own-pictures', id.join(',')] as const,
        queryFn: () => unwrap(api.GET('/api/own-pictures', { params: { query: { id } } })),
        staleTime: 60_000,
      })),
    ),
  })
  return computed(
    () => Object.assign({}, ...fetched.value.map((q) => q.data?.pictures ?? {})) as Record<string, string>,
  )
}

/** Pictures of activities for a child in a home, fetched a dozen at a time for those that are shown. */
export function usePictures(
  childId: () => number,
  homeId: () => number,
  shown: () => string[],
): ComputedRef<Record<string, string>> {
  const dozens = computed(() => inDozens(shown()))
  const fetched = useQueries({
    queries: computed(() =>
      dozens.value.map((ids) => ({
        queryKey: ['pictures', childId(), homeId(), ids.join(',')] as const,
        queryFn: () =>
          unwrap(
            api.GET('/api/children/{child_id}/pictures', {
              params: { path: { child_id: childId() }, query: { home_id: homeId(), activity_ids: ids.join(',') } },
            }),
          ),
        staleTime: 60_000,
      })),
    ),
  })
  return computed(
    () => Object.assign({}, ...fetched.value.map((q) => q.data?.pictures ?? {})) as Record<string, string>,
  )
}
