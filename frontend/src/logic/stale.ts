/** What was worked out from a child, and from a cupboard: the first part of the query keys that go stale with them. */
const FROM_HAZARDS = [
  'cupboard',
  'counts',
  'library',
  'recipes',
  'starter',
  'swaps',
  'here',
  'forecast',
  'week',
  'group',
] as const

export const STALE_WITH = {
  child: [...FROM_HAZARDS, 'caseload', 'aims', 'progress', 'visits'],
  cupboard: [...FROM_HAZARDS],
} as const
