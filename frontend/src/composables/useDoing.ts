import { ref, type Ref } from 'vue'

export interface Doing {
  busy: Ref<boolean>
  error: Ref<Error | null>
  doing: <T>(work: () => Promise<T>) => Promise<T | undefined>
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

  return { busy, error, doing }
}
