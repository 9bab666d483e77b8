import { useQueryClient } from '@tanstack/vue-query'
import { STALE_WITH } from '@/logic/stale'

/** Forget everything that was worked out from what has just changed: a child or a cupboard. */
export function useForget(): (changed: keyof typeof STALE_WITH) => void {
  const queries = useQueryClient()
  return (changed) => {
    for (const key of STALE_WITH[changed]) void queries.invalidateQueries({ queryKey: [key] })
  }
}
