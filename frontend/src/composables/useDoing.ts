import { computed, ref, type ComputedRef, type Ref } from 'vue'
import { Refused } from '@/api/client'

export interface Doing {
  busy: Ref<boolean>
  error: Ref<Error | null>
  /** What was refused about one field of a form, or nothing. */
  at: (field: string) => string
  /** A refusal that names no field, to be shown beside the button. */
  apart: ComputedRef<Error | null>
  doing: <T>(work: () => Promise<T>) => Promise<T | undefined>
  /** After the refusal of a stale edit, take the version that stands now: saving once more keeps what is written. */
  newest: (form: { version: number }) => void
}

/** One thing asked of the server at a time: busy while it goes on, its refusal kept to be shown. */
export function useDoing(): Doing {
  const busy = ref(false)
  const error: Ref<Error | null> = ref(null)

  async function doing<T>(work: () => Promise<T>): Promise<T | undefined> {
    busy.value = true
    error.value = null
    try {
      return await work()
    } catch (problem) {
      error.value = problem as Error
      return undefined
    } finally {
      busy.value = false
    }
  }

  const at = (field: string): string => (error.value instanceof Refused ? error.value.at(field) : '')
  const apart = computed(() =>
    error.value instanceof Refused && error.value.problem.fields.length ? null : error.value,
  )

  function newest(form: { version: number }): void {
    const problem = error.value
    if (problem instanceof Refused && problem.status === 409) form.version = Number(problem.problem.theirs?.version)
  }

  return { busy, error, at, apart, doing, newest }
}
