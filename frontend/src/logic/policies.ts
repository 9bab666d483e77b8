/** The questions on which the trade's schools differ, in the order they are shown; their choices come from the server. */
export const POLICIES = [
  { id: 'prompt_policy', words: 'Help' },
  { id: 'grip_policy', words: 'Grip of pencil, brush and cutlery' },
  { id: 'lace_method', words: 'Way of tying laces' },
  { id: 'correct_policy', words: 'When something goes wrong in a set' },
  { id: 'speed_policy', words: 'Speed' },
] as const
