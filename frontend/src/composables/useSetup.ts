import { useQuery, useQueryClient, type UseQueryReturnType } from '@tanstack/vue-query'
import { useRouter } from 'vue-router'
import { api, unwrap, type Schemas } from '@/api/client'

/** Whether this Pollicor is still without a clinic. */
export function useSetup(): UseQueryReturnType<Schemas['SetupOut'], Error> {
  return useQuery({ queryKey: ['setup'], queryFn: () => unwrap(api.GET('/api/setup')), staleTime: Infinity })
}

/** Go in as whoever was just signed in, with nothing left over of whoever was before. */
export function useGoIn(): (me: Schemas['Me'], to?: string) => Promise<void> {
  const queries = useQueryClient()
  const router = useRouter()
  return async (me, to = '/') => {
    queries.clear()
    queries.setQueryData(['me'], me)
    await router.replace(to)
  }
}
