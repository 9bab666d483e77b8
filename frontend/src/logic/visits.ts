import type { Schemas } from '@/api/client'

export type Visit = Schemas['VisitOut']

export const STATUS: Record<Visit['status'], string> = {
  planned: 'Booked',
  done: 'Done',
  cancelled: 'Cancelled',
  no_show: 'No show',
}

/** Hours and minutes of a clinic's time, or words for none. */
export function timeWords(at: string | null | undefined): string {
  return at ? at.slice(0, 5) : 'some time'
}

/** A day some days later, as YYYY-MM-DD. */
export function shifted(day: string, by: number): string {
  const then = new Date(`${day}T12:00:00Z`)
  then.setUTCDate(then.getUTCDate() + by)
  return then.toISOString().slice(0, 10)
}

/** The seven days of the week a day is in, Monday first. */
export function weekOf(day: string): string[] {
  const weekday = (new Date(`${day}T12:00:00Z`).getUTCDay() + 6) % 7
  return Array.from({ length: 7 }, (_, i) => shifted(day, i - weekday))
}

/** Visits by day. */
export function byDay(visits: readonly Visit[]): Map<string, Visit[]> {
  const days = new Map<string, Visit[]>()
  for (const v of visits) days.set(v.on, [...(days.get(v.on) ?? []), v])
  return days
}
