import { useQuery, useQueryClient, type UseQueryReturnType } from '@tanstack/vue-query'
import { toValue, type MaybeRefOrGetter } from 'vue'
import { useForget } from './useForget'
import { api, unwrap, type Schemas } from '@/api/client'

export type Child = Schemas['ChildOut']

/** One child with its estimates. */
export function useChild(childId: MaybeRefOrGetter<number>): UseQueryReturnType<Child, Error> {
  return useQuery({
    queryKey: ['child', () => toValue(childId)],
    queryFn: () => unwrap(api.GET('/api/children/{child_id}', { params: { path: { child_id: toValue(childId) } } })),
  })
}

/** Put a changed child in place, and forget what was worked out from the old one. */
export function useChildChanged(): (child: Child) => void {
  const queries = useQueryClient()
  const forget = useForget()
  return (child) => {
    queries.setQueryData(['child', child.id], child)
    forget('child')
  }
}
