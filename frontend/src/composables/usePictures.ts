import { useQueries } from '@tanstack/vue-query'
import { computed, type ComputedRef } from 'vue'
import { api, unwrap } from '@/api/client'

const AT_ONCE = 12

/** Pictures of activities for a child in a home, fetched a dozen at a time for those that are shown. */
export function usePictures(
  childId: () => number,
  homeId: () => number,
  shown: () => string[],
): ComputedRef<Record<string, string>> {
  const dozens = computed(() => {
    const ids = shown()
    return Array.from({ length: Math.ceil(ids.length / AT_ONCE) }, (_, i) => ids.slice(i * AT_ONCE, (i + 1) * AT_ONCE))
  })
  const fetched = useQueries({
    queries: computed(() =>
      dozens.value.map((ids) => ({
        queryKey: ['pictures', childId(), homeId(), ids.join(',')],
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
