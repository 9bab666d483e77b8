import { useQuery } from '@tanstack/vue-query'
import { watch, type Ref } from 'vue'
import { api, told, type Schemas } from '@/api/client'

/** The one or two targets to work on next, each with why; they fill `chosen` where no hand has chosen yet. */
export function useAims(childId: () => number, chosen: { targets: string[] }): { aims: Ref<Schemas['AimOut'][] | undefined> } {
  const { data: aims } = useQuery({
    queryKey: ['aims', childId],
    queryFn: () => told(api.GET('/api/children/{child_id}/aims', { params: { path: { child_id: childId() } } })),
    staleTime: 0,
  })
  watch(aims, (found) => {
    if (found && !chosen.targets.length) chosen.targets = found.map((a) => a.target)
  }, { immediate: true })
  return { aims }
}
