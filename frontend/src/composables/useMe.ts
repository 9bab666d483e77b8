import { useQuery, type UseQueryReturnType } from '@tanstack/vue-query'
import { watch } from 'vue'
import { useRouter } from 'vue-router'
import { api, Refused, unwrap, type Schemas } from '@/api/client'

/** Who is signed in; sends to the sign-in page where nobody is. */
export function useMe(): UseQueryReturnType<Schemas['Me'], Error> {
  const router = useRouter()
  const me = useQuery({ queryKey: ['me'], queryFn: () => unwrap(api.GET('/api/me')), staleTime: Infinity })
  watch(
    me.error,
    (error) => {
      if (error instanceof Refused && error.status === 401) {
        void router.replace({ name: 'sign-in', query: { next: router.currentRoute.value.fullPath } })
      }
    },
    { immediate: true },
  )
  return me
}
