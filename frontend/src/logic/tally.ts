import type { Schemas } from '@/api/client'

export type RunEvent = Schemas['EventIn']
export type Kind = RunEvent['kind']
/** An event that may be of this kind, and what it carries. */
export type EventOf<K extends Kind, E extends RunEvent = RunEvent> = E extends { kind: infer EK }
  ? K extends EK
    ? E
    : never
  : never
export type ValueOf<K extends Kind> = NonNullable<EventOf<K>['value']>

/** Whether an event is of one kind; what it carries is known then. */
export function isA<K extends Kind>(kind: K): (e: RunEvent) => e is EventOf<K> {
  return (e): e is EventOf<K> => e.kind === kind
}
export type RunBlock = Schemas['RunBlockOut']
export type Rules = Schemas['TabletRulesOut']
export type Support = EventOf<'try'>['value']['support']

export interface Tally {
  tries: number
  alone: number
  helped: number
  missed: number
  drops: number
  marks: Record<string, number>
  bestHold: number
  /** seconds under tension: all holds together */
  holdSum: number
  /** what was read off last, by measure */
  read: Record<string, number>
  /** oldest first: how each try of the current set went */
  row: ('alone' | 'helped' | 'missed')[]
  skipped: boolean
}

/** The events of a run that count, in the order they were tapped: none that an undo took back, no undo itself. */
export interface Taps {
  all: RunEvent[]
  of: (block: string) => RunEvent[]
}

/** Fold a run's events once; whatever is shown of the run is read off what comes out. */
export function foldTaps(events: RunEvent[]): Taps {
  const back = new Set(events.filter(isA('undo')).map((e) => e.value.event))
  const all = events.filter((e) => e.kind !== 'undo' && !back.has(e.id)).toSorted((a, b) => a.at.localeCompare(b.at))
  const byBlock = new Map<string, RunEvent[]>()
  for (const e of all) byBlock.set(e.block, [...(byBlock.get(e.block) ?? []), e])
  return { all, of: (block) => byBlock.get(block) ?? [] }
}

export function tallyOf(taps: Taps, block: string): Tally {
  const tally: Tally = {
    tries: 0,
    alone: 0,
    helped: 0,
    missed: 0,
    drops: 0,
    marks: {},
    bestHold: 0,
    holdSum: 0,
    read: {},
    row: [],
    skipped: false,
  }
  for (const e of taps.of(block)) {
    if (e.kind === 'try') {
      const how = e.value.outcome !== 'success' ? 'missed' : e.value.support === 'alone' ? 'alone' : 'helped'
      tally.tries += 1
      tally[how] += 1
      tally.row.push(how)
    } else if (e.kind === 'drop') tally.drops += 1
    else if (e.kind === 'mark') tally.marks[e.value.mark] = (tally.marks[e.value.mark] ?? 0) + 1
    else if (e.kind === 'hold') {
      tally.bestHold = Math.max(tally.bestHold, e.value.seconds)
      tally.holdSum += e.value.seconds
    } else if (e.kind === 'measure') tally.read[e.value.measure] = e.value.value
    else if (e.kind === 'skip') tally.skipped = true
  }
  return tally
}

/** How many blocks are neither done to their last try nor skipped. */
export function undone(blocks: RunBlock[], taps: Taps): number {
  return blocks.filter((b) => {
    const tally = tallyOf(taps, b.id)
    return !tally.skipped && tally.tries < b.sets * b.count
  }).length
}

/** The grade the block stands at now: the last one chosen, else the planned one. */
export function gradeNow(taps: Taps, block: RunBlock): number[] {
  const last = taps.of(block.id).findLast(isA('grade'))
  return last?.value.grade ?? block.grade
}

/**
 * The hand at work in a block: the last one chosen, else the one whose turn the plan says it is, else the child's,
 * else the right.
 */
export function handNow(taps: Taps, block: RunBlock, childs = ''): 'left' | 'right' {
  const last = taps.of(block.id).findLast(isA('hand'))
  return (last?.value.hand ?? (block.hand || childs)) === 'left' ? 'left' : 'right'
}

/**
 * The help a try counts as missed with. Least help first: help comes after a failed try, so the try itself was alone.
 * Most help first: help is on from the start, so it failed with the help it had.
 */
export function supportOfMiss(helpFirst: boolean, help: Support): Support {
  return helpFirst ? help : 'alone'
}

/** The levels of help to choose from; where help is on from the start, working without it is a choice too. */
export function helpChoices<T extends { id: string }>(supports: T[] | undefined, helpFirst: boolean): T[] {
  return (supports ?? []).filter((s) => helpFirst || s.id !== 'alone')
}

/** The tries of the set that is under way, oldest first. */
function triesOfSet(taps: Taps, block: RunBlock): RunEvent[] {
  const all = taps.of(block.id).filter(isA('try'))
  return all.slice(Math.floor(Math.max(0, all.length - 1) / block.count) * block.count)
}

/**
 * Whether the set slows so much that the core's rule calls for a rest: its last gaps between tries against its first,
 * pauses taken out.
 */
export function restDue(taps: Taps, block: RunBlock): boolean {
  const rest = block.rest
  const mine = taps.of(block.id)
  const at = triesOfSet(taps, block).map((e) =>
    secondsIn(
      mine.filter((x) => x.at <= e.at),
      Date.parse(e.at),
    ),
  )
  const gaps = at.slice(1).map((t, i) => t - at[i]!)
  if (!rest || gaps.length < 2 * rest.window) return false
  const sum = (part: number[]): number => part.reduce((total, gap) => total + gap, 0)
  const first = sum(gaps.slice(0, rest.window))
  return first > 0 && sum(gaps.slice(-rest.window)) >= first * (1 + rest.slower_by) - 1e-6
}

/** Seconds since the first try of the set under way, pauses taken out. */
export function secondsOfSet(taps: Taps, block: RunBlock, now: number): number {
  const from = triesOfSet(taps, block)[0]
  return from
    ? secondsIn(
        taps.of(block.id).filter((e) => e.at >= from.at),
        now,
      )
    : 0
}

/** Items a minute in the set under way, from its first try to its last; nothing while there are too few to say. */
export function paceNow(taps: Taps, block: RunBlock, rules: Rules): number | null {
  const tries = triesOfSet(taps, block)
  const last = tries.at(-1)
  if (tries.length < rules.pace_tries || !last) return null
  const seconds = secondsOfSet(taps, block, Date.parse(last.at))
  return seconds >= rules.pace_seconds ? (tries.length * 60) / seconds : null
}

/** What the core's table says after the tries of the current set; nothing where it says nothing. */
export function suggestion(taps: Taps, block: RunBlock, rules: Rules): Schemas['SuggestionOut'] | undefined {
  const grade = JSON.stringify(gradeNow(taps, block))
  const all = taps
    .of(block.id)
    .filter(isA('try'))
    .filter((e) => JSON.stringify(e.value.grade) === grade)
  if (!all.length) return undefined
  const set = all.slice(Math.floor((all.length - 1) / block.count) * block.count)
  const withHelp = (e: EventOf<'try'>): boolean => e.value.support !== 'alone'
  const helped = set.filter(withHelp).length >= rules.helped_share * set.length
  const won = set.filter((e) => e.value.outcome === 'success' && (helped || !withHelp(e))).length
  const place = block.grades.findIndex((g) => JSON.stringify(g.grade) === grade)
  const fits = (s: Schemas['SuggestionOut']): boolean =>
    s.tries === set.length && s.successes <= won && won <= s.most && s.helped === helped
  return block.says.find((s) => fits(s) && (s.at === null || s.at === place))
}

/** The change of grade that the table made before the run says, as the server would say it; none where it says none. */
export function fromTable(
  block: RunBlock,
  row: Schemas['SuggestionOut'] | undefined,
): Pick<Schemas['AdviceOut'], 'kind' | 'grade' | 'words'> | undefined {
  const to = row && row.to !== null ? block.grades[row.to] : undefined
  if (!row || !to || (row.kind !== 'up' && row.kind !== 'down')) return undefined
  return { kind: row.kind, grade: to.grade, words: `Today suits ${to.words.join(', ')}` }
}

/** Whether anything was seen in the mouth in this run. */
export function mouthedIn(taps: Taps): boolean {
  return taps.all.some((e) => e.kind === 'mark' && e.value.mark === 'mouths')
}

/** How many times by now it was asked what suits better: after the rules' tries of each set, and at its end. */
export function timesAsked(tries: number, count: number, rules: Rules): number {
  const points = [...rules.asked_after.filter((n) => n < count), count]
  return Math.floor(tries / count) * points.length + points.filter((n) => n <= tries % count).length
}

/** Which block to open a run at: the one last worked at, the one after it where that was skipped, else the first. */
export function whereLeft(taps: Taps, blocks: Pick<RunBlock, 'id'>[]): number {
  const last = taps.all.at(-1)
  const at = blocks.findIndex((b) => b.id === last?.block)
  return last?.kind === 'skip' ? Math.min(at + 1, blocks.length - 1) : Math.max(at, 0)
}

/** Seconds at work in a block: from its first event to now, pauses taken out, never under zero. */
export function secondsAtWork(taps: Taps, block: string, now: number): number {
  return secondsIn(taps.of(block), now)
}

/** Seconds from the first of these events of one block to now, pauses taken out. */
function secondsIn(mine: RunEvent[], now: number): number {
  const first = mine[0]
  if (!first) return 0
  let paused = 0
  let since = 0
  for (const e of mine) {
    if (e.kind === 'pause' && !since) since = Date.parse(e.at)
    else if (e.kind === 'resume' && since) {
      paused += Date.parse(e.at) - since
      since = 0
    }
  }
  if (since) paused += now - since
  return Math.max(0, (now - Date.parse(first.at) - paused) / 1000)
}

export function isPaused(taps: Taps, block: string): boolean {
  return taps.of(block).findLast((e) => e.kind === 'pause' || e.kind === 'resume')?.kind === 'pause'
}

/** "45 s", "2 min 5 s". */
export function durationWords(seconds: number): string {
  const whole = Math.round(seconds)
  return whole < 60 ? `${whole} s` : `${Math.floor(whole / 60)} min ${whole % 60} s`
}

export function clockWords(seconds: number): string {
  const whole = Math.floor(seconds)
  return `${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, '0')}`
}
