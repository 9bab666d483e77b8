import { useQuery } from '@tanstack/vue-query'
import { computed, watch, type Ref } from 'vue'
import { api, unwrap, type Schemas } from '@/api/client'

export interface Aims {
  aims: Ref<Schemas['AimOut'][]>
  /** What each wanted task asks to work on. */
  tasks: Ref<Schemas['TaskAims'][]>
  /** Resolves once the targets are ticked: the therapist may be quicker than the answer. */
  ticked: () => Promise<void>
}

/** The one or two targets to work on next, each with why; they fill `chosen` where no hand has chosen yet. */
export function useAims(childId: () => number, chosen: { targets: string[] }): Aims {
  const query = useQuery({
    queryKey: ['aims', childId],
    queryFn: () => unwrap(api.GET('/api/children/{child_id}/aims', { params: { path: { child_id: childId() } } })),
    staleTime: 0,
  })
  function tick(): void {
    if (query.data.value && !chosen.targets.length) chosen.targets = query.data.value.suggested.map((a) => a.target)
  }
  watch(query.data, tick, { immediate: true })
  return {
    aims: computed(() => query.data.value?.suggested ?? []),
    tasks: computed(() => query.data.value?.tasks ?? []),
    ticked: async () => {
      if (!query.data.value) await query.suspense()
      tick()
    },
  }
}
