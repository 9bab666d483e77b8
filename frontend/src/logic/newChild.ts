import type { Schemas } from '@/api/client'

/** Whether things go to the mouth; empty until it is answered: an answer about safety is never filled in ahead. */
export type MouthingAnswer = Schemas['NewChild']['mouthing'] | ''

export type NewChild = Required<
  Pick<Schemas['NewChild'], 'first_name' | 'birth_date' | 'hand' | 'wanted' | 'behind' | 'told' | 'referral'>
> & {
  mouthing: MouthingAnswer
  home_id: number
  place: Required<Schemas['NewHome']>
  request: string
}

/** Stands for a place that is not there yet. */
export const NEW_PLACE = 0

export const emptyPlace = (kind: Schemas['NewHome']['kind']): Required<Schemas['NewHome']> => ({
  name: '',
  kind,
  supervision: 'arms_reach',
  adults: 1,
  who: '',
})

/** A form with nothing in it yet; its own number makes one child of it, however often it is sent. */
export function emptyChild(): NewChild {
  return {
    first_name: '',
    birth_date: '',
    hand: 'not_settled',
    mouthing: '',
    wanted: [],
    behind: [],
    told: {},
    referral: '',
    home_id: NEW_PLACE,
    place: emptyPlace('home'),
    request: crypto.randomUUID(),
  }
}

/** A day as the API and date fields write it, where the device is. */
export function isoToday(now: Date): string {
  const two = (n: number): string => String(n).padStart(2, '0')
  return `${now.getFullYear()}-${two(now.getMonth() + 1)}-${two(now.getDate())}`
}
