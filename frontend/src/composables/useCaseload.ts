import { keepPreviousData, useQuery, type UseQueryReturnType } from '@tanstack/vue-query'
import { api, unwrap, type Schemas } from '@/api/client'
import type { operations } from '@/api/schema'

export type ListAsk = Required<NonNullable<operations['progress_api_read_caseload']['parameters']['query']>>

export const everyChild: ListAsk = { mine: false, letters: '', show: 'all', sort: 'gravest', page: 1 }

/** One page of the children whose care is open. */
export function useCaseload(ask: () => ListAsk): UseQueryReturnType<Schemas['CaseloadOut'], Error> {
  return useQuery({
    queryKey: ['caseload', ask],
    queryFn: () => unwrap(api.GET('/api/caseload', { params: { query: ask() } })),
    placeholderData: keepPreviousData,
  })
}
