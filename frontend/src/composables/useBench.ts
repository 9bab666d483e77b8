import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref, toValue, type MaybeRefOrGetter, type Ref } from 'vue'
import { api, unwrap, type Schemas } from '@/api/client'

export type Plan = Schemas['PlanOut']
export type Block = Schemas['BlockOut']
type Choice = Schemas['BlockIn']

const choiceOf = (b: Block): Choice => ({
  part: b.part,
  activity_id: b.activity_id,
  grade: [...b.grade],
  sets: b.sets,
  locked: b.locked,
})

/** A block pulled longer or shorter, within what a block may be (whole sets). */
export const stretched = (sets: number, by: number, most: number): number => Math.min(most, Math.max(1, sets + by))

/** A plan on the bench: every change is sent as the whole row, kept by the server, and can be taken back. */
export function useBench(planId: MaybeRefOrGetter<string>) {
  const queries = useQueryClient()
  const key = computed(() => ['plan', toValue(planId)] as const)
  const { data: plan, error: failed } = useQuery({
    queryKey: key,
    queryFn: () => unwrap(api.GET('/api/plans/{plan_id}', { params: { path: { plan_id: toValue(planId) } } })),
  })
  const error: Ref<Error | null> = ref(null)
  const busy = ref(false)
  const past: Ref<Choice[][]> = ref([])
  const future: Ref<Choice[][]> = ref([])

  async function ask(request: () => Promise<Plan>): Promise<boolean> {
    busy.value = true
    error.value = null
    try {
      queries.setQueryData(key.value, await request())
      return true
    } catch (problem) {
      error.value = problem as Error
      await queries.invalidateQueries({ queryKey: key.value })
      return false
    } finally {
      busy.value = false
    }
  }

  const put = (blocks: Choice[]): Promise<boolean> =>
    ask(() =>
      unwrap(
        api.PUT('/api/plans/{plan_id}/blocks', {
          params: { path: { plan_id: toValue(planId) } },
          body: { version: plan.value?.version ?? 0, blocks },
        }),
      ),
    )

  let queue: Promise<unknown> = Promise.resolve()

  /** One change after the other: the next starts from the row the last one left, whatever the hand's pace. */
  function inTurn<T>(work: () => Promise<T>): Promise<T> {
    const next = queue.then(work)
    queue = next.catch(() => undefined)
    return next
  }

  const rowNow = (): Choice[] => (plan.value?.blocks ?? []).map(choiceOf)

  const arrange = (change: (row: Choice[]) => Choice[]): Promise<boolean> =>
    inTurn(async () => {
      const now = rowNow()
      const kept = await put(change(rowNow()))
      if (kept) {
        past.value.push(now)
        future.value = []
      }
      return kept
    })

  /** Change only what the hand touched of one activity, so that a change still on its way is not overwritten. */
  const alter = (activityId: string, part: (block: Choice) => Partial<Choice>): Promise<boolean> =>
    arrange((row) => row.map((b) => (b.activity_id === activityId ? { ...b, ...part(b) } : b)))

  const step = (from: Ref<Choice[][]>, to: Ref<Choice[][]>): Promise<void> =>
    inTurn(async () => {
      const row = from.value.at(-1)
      const now = rowNow()
      if (row && (await put(row))) {
        from.value.pop()
        to.value.push(now)
      }
    })

  const again = (excluded: string[], bring_in = ''): Promise<void> =>
    inTurn(async () => {
      const now = rowNow()
      const body = { version: plan.value?.version ?? 0, excluded, bring_in }
      if (
        await ask(() =>
          unwrap(api.POST('/api/plans/{plan_id}/again', { params: { path: { plan_id: toValue(planId) } }, body })),
        )
      )
        past.value.push(now)
    })

  return {
    plan,
    failed,
    error,
    busy,
    arrange,
    alter,
    again,
    named: (now: Plan) => void queries.setQueryData(key.value, now),
    undo: () => step(past, future),
    redo: () => step(future, past),
    canUndo: computed(() => past.value.length > 0),
    canRedo: computed(() => future.value.length > 0),
  }
}
