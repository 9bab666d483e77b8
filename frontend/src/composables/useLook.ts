import { ref, type Ref, type ShallowRef } from 'vue'
import { api, unwrap, type Schemas } from '@/api/client'
import { useDoing } from '@/composables/useDoing'
import { keepRun } from '@/logic/tapStore'

export interface Look {
  /** Why the look is over; empty while it goes on. */
  over: Ref<string>
  busy: Ref<boolean>
  error: Ref<Error | null>
  /** Ask for the next set, now that the last one is played; true where there is one. */
  more: () => Promise<boolean>
}

/** A first look chooses its sets one after the other: each is asked of the server once the one before is sent. */
export function useLook(
  runId: string,
  run: ShallowRef<Schemas['RunOut'] | undefined>,
  flush: () => Promise<boolean>,
): Look {
  const over = ref('')
  const { busy, error, doing } = useDoing()

  async function more(): Promise<boolean> {
    if (busy.value || over.value) return false
    const step = await doing(async () => {
      if (!(await flush()))
        throw new Error(
          'The server can not be reached, and chooses what comes next. Go on with this one, or finish later: every tap is kept.',
        )
      return unwrap(api.POST('/api/runs/{run_id}/next', { params: { path: { run_id: runId } } }))
    })
    if (!step) return false
    run.value = step.run
    await keepRun(step.run)
    over.value = step.ended
    return !step.ended
  }

  return { over, busy, error, more }
}
