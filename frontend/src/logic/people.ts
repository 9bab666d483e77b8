import type { Schemas } from '@/api/client'

/** What each role is called, with an article where a sentence wants one, and what it may do. */
export const ROLES: Record<Schemas['Me']['role'], { word: string; one: string; may: string }> = {
  lead: { word: 'Lead', one: 'a lead', may: 'everything, and the clinic’s people and settings' },
  therapist: { word: 'Therapist', one: 'a therapist', may: 'children, plans, decisions, notes' },
  assistant: { word: 'Assistant', one: 'an assistant', may: 'run sessions, keep cupboards, write notes' },
}

/** What kind of device a browser says it runs on. */
export function deviceWords(agent: string): string {
  return /Mobi|Tablet|Touch/.test(agent) ? 'A phone or tablet' : 'A computer'
}

/** A moment, as day and time. */
export function momentWords(iso: string): string {
  return momentFormat.format(new Date(iso))
}

const momentFormat = new Intl.DateTimeFormat('en-GB', {
  day: 'numeric',
  month: 'short',
  hour: '2-digit',
  minute: '2-digit',
})
