import type { Schemas } from '@/api/client'
import { dayWords } from './words'

/** Where things stand on the rung chart, in pixels: a rung up the side, days along the foot. */
export interface Plot {
  low: number
  high: number
  x: (on: string) => number
  y: (rung: number) => number
  rungs: number[]
  ticks: { on: string; x: number; words: string }[]
}

/** What is shown of one mark when it is pointed at: where, and in words. */
export interface Mark {
  x: number
  y: number
  said: string
}

export interface Frame {
  left: number
  right: number
  top: number
  bottom: number
}

const DAY = 86_400_000
const STEPS = [1, 2, 7, 14, 28, 56, 91, 182, 365] // days between two labels along the foot
const LABEL = 92 // pixels a label takes along the foot

const at = (on: string): number => Date.parse(`${on.slice(0, 10)}T12:00:00Z`)

/** Scales that hold everything seen, expected and wanted, from whole rung to whole rung. */
export function plot(
  strand: Schemas['StrandProgressOut'],
  top: number,
  wanted: number | null,
  width: number,
  height: number,
  frame: Frame,
): Plot {
  const points = [...strand.points, ...strand.expected]
  const levels = [...strand.sets.map((s) => s.difficulty), ...(wanted === null ? [] : [wanted])]
  const low = Math.floor(Math.min(...points.map((p) => p.mean - p.sd), ...strand.sets.map((s) => s.difficulty)) - 0.3)
  const high = Math.min(top + 1, Math.ceil(Math.max(...points.map((p) => p.mean + p.sd), ...levels) + 0.3))
  const days = [...points, ...strand.sets, ...strand.marked, ...strand.days].map((p) => at(p.on))
  const first = Math.min(...days)
  const last = Math.max(...days, first + DAY)
  const room = width - frame.left - frame.right
  const x = (on: string): number => frame.left + ((at(on) - first) / (last - first)) * room
  const y = (rung: number): number =>
    frame.top + ((high - rung) / Math.max(1, high - low)) * (height - frame.top - frame.bottom)
  const fits = Math.max(1, Math.floor(room / LABEL))
  const step = STEPS.find((s) => (last - first) / DAY / s <= fits) ?? STEPS.at(-1)!
  const ticks = Array.from({ length: Math.floor((last - first) / DAY / step) + 1 }, (_, i) => {
    const on = new Date(first + i * step * DAY).toISOString().slice(0, 10)
    return { on, x: x(on), words: dayWords(on) }
  }).filter((t) => t.x <= width - LABEL / 3)
  return { low, high, x, y, ticks, rungs: Array.from({ length: high - low + 1 }, (_, i) => low + i) }
}

/** The points of a line, as SVG takes them. */
export function line(p: Plot, of: Schemas['PointOut'][]): string {
  return of.map((s) => `${p.x(s.on).toFixed(1)},${p.y(s.mean).toFixed(1)}`).join(' ')
}

/** The band of doubt round a line: along its upper edge, and back along its lower one. */
export function band(p: Plot, of: Schemas['PointOut'][]): string {
  const edge = (sign: number): string[] =>
    of.map((s) => `${p.x(s.on).toFixed(1)},${p.y(s.mean + sign * s.sd).toFixed(1)}`)
  return [...edge(1), ...edge(-1).reverse()].join(' ')
}

export const ofPoint =
  (p: Plot, how: string) =>
  (s: Schemas['PointOut']): Mark => ({
    x: p.x(s.on),
    y: p.y(s.mean),
    said: `${dayWords(s.on)}: ${how}, rung ${s.mean.toFixed(1)}, give or take ${s.sd.toFixed(1)}`,
  })

/** A set at the rung it asked; larger where more of it was done, hollow where there was help. */
export const ofSet =
  (p: Plot) =>
  (s: Schemas['SetOut']): Mark & { r: number; alone: boolean } => ({
    x: p.x(s.on),
    y: p.y(s.difficulty),
    r: (6 + 12 * (s.successes / Math.max(1, s.tries))) / 2,
    alone: s.support === 'alone',
    said: `${dayWords(s.on)}: ${s.name}, ${s.successes} of ${s.tries} ${s.support_words}, rung ${s.difficulty.toFixed(1)} (${s.grade_words.map((w) => w.replace(/\.$/, '')).join(', ')})`,
  })

/** What a day alone says, kept inside the frame. */
export const ofDay =
  (p: Plot) =>
  (d: Schemas['ValueOut']): Mark => ({
    x: p.x(d.on),
    y: p.y(Math.max(p.low, Math.min(p.high, d.value))),
    said: `${dayWords(d.on)}: this day alone says rung ${d.value.toFixed(1)}`,
  })
