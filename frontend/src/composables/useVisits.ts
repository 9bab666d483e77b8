import { keepPreviousData, useQuery, useQueryClient, type UseQueryReturnType } from '@tanstack/vue-query'
import { api, unwrap, type Schemas } from '@/api/client'

export interface Days {
  first: string
  last: string
  mine: boolean
}

/** The visits of some days, in the order of travel. */
export function useVisits(days: () => Days): UseQueryReturnType<Schemas['VisitOut'][], Error> {
  return useQuery({
    queryKey: ['visits', days],
    queryFn: () => unwrap(api.GET('/api/visits', { params: { query: days() } })),
    placeholderData: keepPreviousData,
  })
}

/** Forget the visits that were fetched: one was made, moved or closed. */
export function useVisitsChanged(): () => Promise<void> {
  const queries = useQueryClient()
  return () => queries.invalidateQueries({ queryKey: ['visits'] })
}
