import { useQuery, type UseQueryReturnType } from '@tanstack/vue-query'
import { computed, type ComputedRef } from 'vue'
import { api, unwrap, type Schemas } from '@/api/client'
import type { Child } from './useChild'

/** Every place with a cupboard in this clinic. */
export function useHomes(): UseQueryReturnType<Schemas['HomeOut'][], Error> {
  return useQuery({ queryKey: ['homes'], queryFn: () => unwrap(api.GET('/api/homes')), staleTime: 60_000 })
}

/** Every place that is offered: those not archived. */
export function useOpenHomes(): ComputedRef<Schemas['HomeOut'][]> {
  const { data } = useHomes()
  return computed(() => (data.value ?? []).filter((h) => !h.is_archived))
}

/** The cupboards a child's session may draw on: the child's own places, clinic rooms and schools. */
export function usePlaces(child: () => Child): ComputedRef<Schemas['HomeOut'][]> {
  const { data } = useHomes()
  return computed(() =>
    (data.value ?? []).filter((h) => {
      const own = h.id === child().home_id || child().also_at.includes(h.id)
      return own || (h.kind !== 'home' && !h.is_archived)
    }),
  )
}
