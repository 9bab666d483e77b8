import { computed, type ComputedRef, ref, type Ref } from 'vue'
import type { RunAtTable } from '@/composables/useRun'
import {
  gradeNow,
  handNow,
  isPaused,
  restDue,
  type RunBlock,
  suggestion,
  type Support,
  supportOfMiss,
  tallyOf,
} from '@/logic/tally'

/** One child at one activity of a run: where the set stands, what is said of it, and the taps that can be made. */
export function useRunBlock(table: RunAtTable, at: Ref<number>) {
  const { run, taps, tap } = table
  const block = computed(() => run.value?.blocks[at.value])
  const tally = computed(() => tallyOf(taps.value, block.value?.id ?? ''))
  const help = ref<Support>('spoken')
  const helpFirst = computed(() => run.value?.help_first ?? false)

  /** What is read off the block's taps; the second value while the run is not open yet. */
  const read = <T>(of: (block: RunBlock) => T, before: T): ComputedRef<T> =>
    computed(() => (block.value ? of(block.value) : before))
  const inSet = read((b) => (tally.value.tries ? ((tally.value.tries - 1) % b.count) + 1 : 0), 0)
  const paused = read((b) => isPaused(taps.value, b.id), false)
  const hand = read((b) => handNow(taps.value, b, run.value?.hand), 'right')
  const grade = read((b) => gradeNow(taps.value, b), [])
  const rung = read((b) => b.grades.findIndex((g) => JSON.stringify(g.grade) === JSON.stringify(grade.value)), -1)
  const rest = read((b) => (restDue(taps.value, b) ? b.rest?.words : undefined), undefined)
  const said = read((b) => suggestion(taps.value, b, run.value!.rules), undefined)

  /** Count a try, unless the activity is paused. */
  function attempt(outcome: 'success' | 'miss', support: Support, otherGrip = false): void {
    if (!block.value || paused.value) return
    tap(block.value.id, 'try', {
      outcome,
      support,
      grade: grade.value,
      hand: hand.value,
      help_first: helpFirst.value,
      other_grip: otherGrip,
    })
  }

  /** Go so many grades up or down the block's ladder, as far as there is one. */
  function turn(by: number): void {
    const to = block.value?.grades[rung.value + by]
    if (block.value && to) tap(block.value.id, 'grade', { grade: to.grade })
  }

  const missed = (otherGrip = false): void => attempt('miss', supportOfMiss(helpFirst.value, help.value), otherGrip)
  const took = {
    alone: () => attempt('success', 'alone'),
    helped: () => attempt('success', help.value),
    missed: () => missed(),
    otherGrip: () => block.value?.told.grip && missed(true),
    undo: () => block.value && table.undo(block.value.id),
    drop: () => block.value && tap(block.value.id, 'drop'),
  }
  return { block, tally, help, helpFirst, inSet, paused, hand, grade, rung, rest, said, turn, took }
}
