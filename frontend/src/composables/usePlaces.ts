import { useQuery } from '@tanstack/vue-query'
import { computed, type ComputedRef } from 'vue'
import { api, told, type Schemas } from '@/api/client'
import type { Child } from './useChild'

/** The cupboards a child's session may draw on: the own home, clinic rooms and schools. */
export function usePlaces(child: () => Child): ComputedRef<Schemas['HomeOut'][]> {
  const { data } = useQuery({ queryKey: ['homes'], queryFn: () => told(api.GET('/api/homes')), staleTime: 60_000 })
  return computed(() => (data.value ?? []).filter((h) => h.kind !== 'home' || h.id === child().home_id))
}
