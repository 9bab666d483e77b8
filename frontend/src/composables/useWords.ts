import { useQuery } from '@tanstack/vue-query'
import { computed, type ComputedRef } from 'vue'
import { api, unwrap, type Schemas } from '@/api/client'

export type Words = Schemas['WordsOut']

/** The skills map and the trade's words; they do not change while the page is open. */
export function useWords(): ComputedRef<Words | undefined> {
  const { data } = useQuery({ queryKey: ['words'], queryFn: () => unwrap(api.GET('/api/words')), staleTime: Infinity })
  return computed(() => data.value)
}
