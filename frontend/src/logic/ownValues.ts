import type { Schemas } from '@/api/client'

/** What a therapist writes of the clinic's own activity or thing, as the library's files have it; see docs/library.md. */
export interface Need {
  property: string
  words: string
  at_least?: number | null
  at_most?: number | null
  is?: boolean | string
  one_of?: string[]
}
export interface Role {
  id: string
  words: string
  form: string
  fixed?: number
  per_try?: number
  share?: number
  needs?: Need[]
  optional?: boolean
  sharp?: boolean
  works?: string | null
  pieces?: number
}
export type Adds = number | Record<string, number>
export interface Step {
  words: string
  tell: string
  adds?: Adds
  tries?: number | null
  seconds?: number | null
  needs?: Record<string, Need[]>
  uses?: string[]
  tags?: string[]
  cues?: Record<string, string>
  steps?: string[]
}
export interface Axis {
  id: string
  words: string
  steps: Step[]
}
export type Drawn = string | number | boolean
export interface ByStep {
  axis: string
  of: Drawn[]
}
export type Frame = { act: string } & Record<string, Drawn | ByStep>
export interface ActivityValues {
  name: string
  group: string
  trains: Record<string, number>
  demands?: Record<string, number>
  parts: string[]
  tries: { young: number; middle: number; older: number }
  work: string
  seconds: number
  unit: { one: string; many: string }
  does: string
  steps: string[]
  counts_when: string
  grip?: string
  why: string
  say: string
  stop: string
  themes?: string[]
  tiring?: boolean
  both_hands?: boolean
  tags?: string[]
  roles: Role[]
  fits?: { kind: string; outer: string; inner: string; words: string }[]
  axes: Axis[]
  picture: Frame[]
  setup: string
  posture?: string
  cues: Record<string, string>
  watch: string[]
  measures?: string[]
  tidy: string
}

export type Issue = Schemas['IssueOut']

/** What is wrong at one field: there, or anywhere inside it. */
export function issueAt(issues: Issue[], path: string): string {
  const found = issues.find((i) => i.at === path || i.at.startsWith(`${path}.`))
  return found ? `${found.reason} ${found.remedy}` : ''
}

/** An id out of words, different from those that are taken. */
export function idFrom(words: string, taken: string[], usual: string): string {
  const plain = words
    .toLowerCase()
    .normalize('NFD')
    .replace(/[^a-z0-9]+/g, '_')
    .replace(/^[^a-z]+|_+$/g, '')
    .slice(0, 24)
  const base = plain || usual
  let id = base
  for (let n = 2; taken.includes(id); n += 1) id = `${base}_${n}`
  return id
}

const strandOf = (values: ActivityValues): string => Object.keys(values.trains)[0] ?? ''

/** How much harder a step is than the first, in one strand. */
export function harder(step: Step, strand: string, first: string): number {
  if (typeof step.adds === 'number') return strand === first ? step.adds : 0
  return step.adds?.[strand] ?? 0
}

/** Say how much harder a step is in one strand; nothing is left out. */
export function setHarder(step: Step, strand: string, first: string, rungs: number): void {
  const adds: Record<string, number> =
    typeof step.adds === 'number' ? (step.adds ? { [first]: step.adds } : {}) : { ...step.adds }
  if (rungs) adds[strand] = rungs
  else delete adds[strand]
  if (Object.keys(adds).length) step.adds = adds
  else delete step.adds
}

/** One more thing to take, named so that the picture and the fits can speak of it. */
export function addRole(values: ActivityValues, words: string, form: string): Role {
  const role: Role = {
    id: idFrom(
      words,
      values.roles.map((r) => r.id),
      'thing',
    ),
    words,
    form,
    fixed: 1,
  }
  values.roles.push(role)
  return role
}

/** Take a thing away, and everything that speaks of it. */
export function removeRole(values: ActivityValues, at: number): void {
  const [role] = values.roles.splice(at, 1)
  if (!role) return
  values.fits = (values.fits ?? []).filter((f) => f.outer !== role.id && f.inner !== role.id)
  for (const step of values.axes.flatMap((a) => a.steps)) {
    if (step.needs) delete step.needs[role.id]
    if (step.uses) step.uses = step.uses.filter((u) => u !== role.id)
  }
  for (const frame of values.picture) {
    for (const [key, value] of Object.entries(frame)) if (key !== 'act' && value === role.id) delete frame[key]
  }
}

/** One more way of grading, with an easy and a harder step. */
export function addAxis(values: ActivityValues, words: string): void {
  const id = idFrom(
    words,
    values.axes.map((a) => a.id),
    'way',
  )
  values.axes.push({
    id,
    words,
    steps: [
      { words: 'easier', tell: 'Do it the easy way.' },
      { words: 'harder', tell: 'Make it harder.', adds: { [strandOf(values)]: 0.5 } },
    ],
  })
}

/** Take a way of grading away, from the picture too. */
export function removeAxis(values: ActivityValues, at: number): void {
  const [axis] = values.axes.splice(at, 1)
  for (const frame of values.picture) {
    for (const [key, value] of Object.entries(frame)) {
      if (typeof value === 'object' && value.axis === axis?.id) frame[key] = value.of[0] ?? ''
    }
  }
}

const alongAxis = (values: ActivityValues, id: string): ByStep[] =>
  values.picture.flatMap((frame) =>
    Object.values(frame).filter((v): v is ByStep => typeof v === 'object' && v.axis === id),
  )

/** One more step, harder than the last by as much as the last is than the one before. */
export function addStep(values: ActivityValues, axis: Axis): void {
  const last = axis.steps.at(-1)
  const step: Step = { words: '', tell: '' }
  for (const strand of Object.keys(values.trains)) {
    const now = last ? harder(last, strand, strandOf(values)) : 0
    if (now || strand === strandOf(values)) {
      setHarder(step, strand, strandOf(values), Math.round((now + 0.5) * 100) / 100)
    }
  }
  axis.steps.push(step)
  for (const value of alongAxis(values, axis.id)) value.of.push(value.of.at(-1) ?? '')
}

/** Take a step away; the first that stays adds nothing. */
export function removeStep(values: ActivityValues, axis: Axis, at: number): void {
  axis.steps.splice(at, 1)
  const first = axis.steps[0]
  if (at === 0 && first) delete first.adds
  for (const value of alongAxis(values, axis.id)) value.of.splice(at, 1)
}

/** Train another strand first; what its steps add goes along. */
export function retrain(values: ActivityValues, from: string, to: string): void {
  if (from === to || to in values.trains) return
  values.trains = Object.fromEntries(Object.entries(values.trains).map(([s, r]) => [s === from ? to : s, r]))
  if (values.demands) delete values.demands[to]
  for (const step of values.axes.flatMap((a) => a.steps)) {
    if (step.adds && typeof step.adds === 'object' && from in step.adds) {
      step.adds = Object.fromEntries(Object.entries(step.adds).map(([s, r]) => [s === from ? to : s, r]))
    }
  }
}

/** The number or the words of one need, as a therapist reads it. */
export function needWords(need: Need, unit: string): string {
  const { at_least: low, at_most: high } = need
  const end = unit ? ` ${unit}` : ''
  if (low != null && high != null) return `${low} to ${high}${end}`
  if (low != null) return `${low}${end} or more`
  if (high != null) return `up to ${high}${end}`
  return need.words
}

/** Give a value of a frame one value for each step of an axis, or one for all of them again. */
export function setAlong(frame: Frame, key: string, axis: Axis | null): void {
  const now = frame[key]
  const first = typeof now === 'object' ? (now.of[0] ?? '') : (now ?? '')
  frame[key] = axis ? { axis: axis.id, of: axis.steps.map(() => first) } : first
}
