import { useQuery, type UseQueryReturnType } from '@tanstack/vue-query'
import { api, unwrap } from '@/api/client'
import type { Reach } from '@/logic/library'

/** Every activity for a child in a home, offered or not; fetched where it is wanted. */
export function useLibrary(
  childId: () => number,
  homeId: () => number,
  wanted: () => boolean = () => true,
): UseQueryReturnType<Reach[], Error> {
  return useQuery({
    queryKey: ['library', childId, homeId],
    queryFn: () =>
      unwrap(
        api.GET('/api/children/{child_id}/library', {
          params: { path: { child_id: childId() }, query: { home_id: homeId() } },
        }),
      ),
    enabled: wanted,
  })
}
