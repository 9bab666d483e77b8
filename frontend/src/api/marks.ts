// Made by scripts/write_marks.py from the document of the API.
/** Routes whose answers are never kept to be given again: a write there carries no key. */
export const KEEPS_NO_KEY: ReadonlySet<string> = new Set([
  '/api/bags',
  '/api/children/{child_id}/forecast',
  '/api/join/{token}',
  '/api/join/{token}/password',
  '/api/letters',
  '/api/links',
  '/api/me/calendar',
  '/api/me/password',
  '/api/me/second-factor',
  '/api/me/second-factor/confirm',
  '/api/me/second-factor/off',
  '/api/measuring',
  '/api/own-look',
  '/api/people/{member_id}/hand-over',
  '/api/people/{member_id}/reset',
  '/api/plans/{plan_id}/forecast',
  '/api/runs/{run_id}/events',
  '/api/session',
  '/api/setup',
])
