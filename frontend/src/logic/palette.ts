/** One thing the palette can do: go somewhere, or do something there and then. */
export interface Command {
  id: string
  words: string
  hint?: string
  /** What else it answers to. */
  also?: string
  run: () => void
}

/** The commands that answer what is typed: those that begin with it first, then those that hold every word of it. */
export function matching(commands: Command[], typed: string, most = 9): Command[] {
  const words = typed.toLowerCase().split(/\s+/).filter(Boolean)
  const text = (c: Command): string => `${c.words} ${c.also ?? ''} ${c.hint ?? ''}`.toLowerCase()
  const fits = commands.filter((c) => words.every((w) => text(c).includes(w)))
  const begins = (c: Command): boolean => words.length > 0 && c.words.toLowerCase().startsWith(words.join(' '))
  return [...fits.filter(begins), ...fits.filter((c) => !begins(c))].slice(0, most)
}

/** The place in a list one step on, round its ends. */
export const stepped = (at: number, by: number, of: number): number => (of ? (at + by + of) % of : 0)
