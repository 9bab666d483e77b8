import type { Schemas } from '@/api/client'
import type { RunBlock, Tally } from './tally'

/**
 * What somebody who runs another's plan does next, said in full: set out, say, count, go on. The words are the plan's
 * and the table's own.
 */
export function lead(block: RunBlock, tally: Tally, say?: Schemas['SuggestionOut']): string[] {
  const doFirst = block.do_first ? [`Do: ${block.do_first}`] : []
  const show = block.cues.find((c) => c.support === 'shown')
  if (!tally.tries)
    return [
      `Set out: ${block.setup}`,
      ...(show && !block.do_first ? [`Show: ${show.words}`] : []),
      ...doFirst,
      `Say: ${block.say}`,
      `Count ${block.count} ${block.unit}.${counts(block)} After each try press how it went.`,
    ]
  const done = Math.floor(tally.tries / block.count)
  if (tally.tries % block.count === 0) {
    return [
      say?.words ?? '',
      done >= block.sets
        ? 'This activity is done. Tidy: ' + block.tidy
        : `Set ${done} of ${block.sets} is done. Shake out the hands, then the next set.`,
    ].filter(Boolean)
  }
  return [say?.words ?? (block.do_first ? `Do: ${block.do_first}` : `Wait, then say: ${block.say}`)]
}

const counts = (block: RunBlock): string => (block.told.counts_when ? ` It counts when: ${block.told.counts_when}` : '')
