import type { Schemas } from '@/api/client'

/** Ages, dates, chances and amounts in the words of the trade. Nothing here decides anything. */

export function ageWords(months: number): string {
  const years = Math.floor(months / 12)
  const rest = Math.floor(months % 12)
  if (years < 2) return `${Math.floor(months)} months`
  return rest ? `${years} y ${rest} m` : `${years} years`
}

const dayFormat = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short' })
const longFormat = new Intl.DateTimeFormat('en-GB', { weekday: 'long', day: 'numeric', month: 'long' })

export function dayWords(iso: string): string {
  return dayFormat.format(new Date(`${iso.slice(0, 10)}T12:00:00`))
}

export function longDay(date: Date): string {
  return longFormat.format(date)
}

export function daysAgo(iso: string, now: Date): string {
  const days = Math.round((Date.parse(now.toISOString().slice(0, 10)) - Date.parse(iso.slice(0, 10))) / 86_400_000)
  if (days <= 0) return 'today'
  if (days === 1) return 'yesterday'
  return days < 21 ? `${days} days ago` : `${Math.round(days / 7)} weeks ago`
}

/**
 * A rung with one decimal; a level under the ladder or over its top is reported as such, not as a rung that does not
 * exist.
 */
export function rungWords(rung: number, top = Infinity): string {
  if (rung < 0.45) return 'under 1'
  return rung >= top + 0.45 ? `over ${top}` : rung.toFixed(1)
}

export function handWords(hand: string): string {
  return { right: 'right-handed', left: 'left-handed' }[hand] ?? 'hand not settled'
}

export function minutesWords(minutes: number): string {
  return Number.isInteger(minutes) ? `${minutes} min` : `${minutes.toFixed(1)} min`
}

export const statusNames: Record<string, string> = {
  ready: 'Ready to move',
  setback: 'Set back',
  stuck: 'Stuck',
  recheck: 'Check again',
  new: 'New',
  review: 'Review due',
  steady: 'On the way',
}

/** What a seen rung rests on: which activity or whose word, when, where, with whom. */
export function proofWords(seen: Schemas['SeenOut']): string {
  const how = seen.activity ? `${seen.activity}, ${seen.successes} of ${seen.tries}` : 'noted by a therapist'
  return [how, seen.on ? dayWords(seen.on) : '', seen.where, seen.by ? `with ${seen.by}` : '']
    .filter(Boolean)
    .join(', ')
}

const PLACES: Record<string, string> = {
  adds: 'rungs it adds',
  axes: 'grading',
  counts_when: 'counts when',
  does: 'what the child does',
  forms: 'what it serves as',
  most_main: 'most main blocks',
  needs: 'what it needs',
  roles: 'things',
  say: 'what to say',
  seconds: 'seconds a try',
  stop: 'safety line',
  tell: 'sentence for the family',
  trains: 'what it trains',
  why: 'what it is good for',
  words: 'name',
}

/** Where something is wrong, as one would say it: “axes.0.steps.2.adds” is “Grading 1, steps 3, rungs it adds”. */
export function placeWords(at: string): string {
  const words: string[] = []
  for (const part of at.split('.')) {
    if (/^\d+$/.test(part) && words.length) words[words.length - 1] += ` ${Number(part) + 1}`
    else words.push(PLACES[part] ?? part.replaceAll('_', ' '))
  }
  const said = words.join(', ')
  return said.charAt(0).toUpperCase() + said.slice(1)
}
