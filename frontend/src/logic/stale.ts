/** Everything that is asked of the server, by the first part of its query key, and what it goes stale with. */
export const KEYS = {
  'activity-words': [],
  against: ['child', 'cupboard'],
  aims: ['child'],
  audit: [],
  batch: [],
  caseload: ['child'],
  child: [],
  clinic: [],
  closed: [],
  counts: ['child', 'cupboard'],
  cupboard: ['child', 'cupboard'],
  devices: [],
  factor: [],
  feed: [],
  forecast: ['child', 'cupboard'],
  'found-children': [],
  goals: [],
  group: ['child', 'cupboard'],
  here: ['child', 'cupboard'],
  hidden: [],
  homes: [],
  learned: [],
  letters: [],
  library: ['child', 'cupboard'],
  link: [],
  me: [],
  note: [],
  'old-records': [],
  own: [],
  'own-list': [],
  'own-look': [],
  'own-pictures': ['child', 'cupboard'],
  'own-words': [],
  people: [],
  pictures: ['child', 'cupboard'],
  plan: ['child', 'cupboard'],
  plans: [],
  progress: ['child'],
  recipes: ['child', 'cupboard'],
  results: [],
  seen: ['child'],
  setup: [],
  shelves: [],
  starter: ['child', 'cupboard'],
  summary: [],
  'swap-picture': ['child', 'cupboard'],
  swaps: ['child', 'cupboard'],
  therapists: [],
  things: [],
  'to-find-out': ['child'],
  upkeep: [],
  visits: ['child'],
  week: ['child', 'cupboard'],
  weeks: ['child', 'cupboard'],
  words: [],
} as const satisfies Record<string, readonly ('child' | 'cupboard')[]>

export type KeyName = keyof typeof KEYS
export type Changed = 'child' | 'cupboard'

/** What goes stale when a child's profile or a cupboard changes. */
export function staleWith(changed: Changed): KeyName[] {
  return (Object.keys(KEYS) as KeyName[]).filter((name) => (KEYS[name] as readonly Changed[]).includes(changed))
}

declare module '@tanstack/query-core' {
  interface Register {
    /** Every key begins with a name that says above what it goes stale with; any other is refused by the compiler. */
    queryKey: readonly [KeyName, ...unknown[]]
  }
}
