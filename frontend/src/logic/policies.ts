/**
 * The questions on which the trade's schools differ, in the order they are shown; their choices come from the server.
 */
export const POLICIES = [
  { id: 'prompt_policy', words: 'Help', short: 'Help' },
  { id: 'grip_policy', words: 'Grip of pencil, brush and cutlery', short: 'Grip' },
  { id: 'lace_method', words: 'Way of tying laces', short: 'Laces' },
  { id: 'correct_policy', words: 'When something goes wrong in a set', short: 'Correcting' },
  { id: 'speed_policy', words: 'Speed', short: 'Speed' },
  { id: 'sameness_policy', words: 'From week to week', short: 'Variety' },
  { id: 'chaining_policy', words: 'Teaching a daily task', short: 'Chaining' },
] as const
