import { useQueryClient } from '@tanstack/vue-query'
import { staleWith, type Changed } from '@/logic/stale'

/** Forget everything that was worked out from what has just changed: a child or a cupboard. */
export function useForget(): (changed: Changed) => void {
  const queries = useQueryClient()
  return (changed) => {
    for (const key of staleWith(changed)) void queries.invalidateQueries({ queryKey: [key] })
  }
}
