import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { computed, type ComputedRef, ref, type Ref, type ShallowRef } from 'vue'
import { api, unwrap, type Schemas } from '@/api/client'

export interface GradeHere {
  grade: Ref<number[]>
  data: Readonly<ShallowRef<Schemas['ForecastOut'] | undefined>>
  error: Readonly<ShallowRef<Error | null>>
  block: ComputedRef<Schemas['BlockOut'] | null | undefined>
  turn: (axis: number, step: number) => void
  jump: (to?: number[]) => void
}

/** One activity at the grade its dials stand at, live for a child and a home; nothing is kept. */
export function useGrade(
  childId: () => number,
  homeId: () => number,
  activityId: () => string,
  from: readonly number[],
  part: Schemas['BlockIn']['part'] = 'main',
): GradeHere {
  const grade = ref([...from])
  const body = computed(() => ({ part, activity_id: activityId(), grade: grade.value, sets: 1, locked: false }))
  const { data, error } = useQuery({
    queryKey: ['here', childId, homeId, body],
    queryFn: ({ signal }) =>
      unwrap(
        api.POST('/api/children/{child_id}/forecast', {
          params: { path: { child_id: childId() }, query: { home_id: homeId() } },
          body: body.value,
          signal, // a dial turned on makes the last answer needless, here and on the server
        }),
      ),
    enabled: () => grade.value.length > 0,
    placeholderData: keepPreviousData,
  })
  const turn = (axis: number, step: number): void => {
    grade.value = grade.value.with(axis, step)
  }
  const jump = (to?: number[]): void => {
    if (to) grade.value = [...to]
  }
  return { grade, data, error, block: computed(() => data.value?.block), turn, jump }
}
