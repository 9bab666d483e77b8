import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, unwrap } from '@/api/client'
import { useDoing } from '@/composables/useDoing'
import type { RunAtTable } from '@/composables/useRun'
import { undone } from '@/logic/tally'

const AWAY = 'The server cannot be reached. Every tap is kept on this tablet; finish again when the network is back.'

/** Finish the runs of one table: asked first where activities are left, and only with every tap sent. */
export function useRunEnd(runIds: string[], tables: RunAtTable[]) {
  const router = useRouter()
  const { busy, error, doing } = useDoing()
  const blocks = computed(() => tables.flatMap((t) => t.run.value?.blocks ?? []))
  const left = computed(() => tables.reduce((n, t) => n + undone(t.run.value?.blocks ?? [], t.taps.value), 0))
  const asks = ref(false)

  async function end(): Promise<true> {
    const sent = await Promise.all(tables.map((t) => t.flush()))
    if (!sent.every(Boolean)) throw new Error(AWAY)
    for (const id of runIds) await unwrap(api.POST('/api/runs/{run_id}/finish', { params: { path: { run_id: id } } }))
    return true
  }

  async function finish(): Promise<void> {
    asks.value = left.value > 0 && !asks.value
    if (!asks.value && (await doing(end))) await router.replace({ name: 'results', params: { runId: runIds[0]! } })
  }
  return { left, of: computed(() => blocks.value.length), asks, busy, error, finish }
}
