/** One column of a stacked picture: pieces from the bottom up, as shares of the column, in the order given. */
export interface Piece {
  id: string
  from: number
  share: number
  count: number
}

/** Shares of a whole, bottom up; what was not used has no piece, and an empty whole no pieces. */
export function stacked(counts: Record<string, number>, order: string[]): Piece[] {
  const total = order.reduce((sum, id) => sum + (counts[id] ?? 0), 0)
  const pieces: Piece[] = []
  let from = 0
  for (const id of order) {
    const count = counts[id] ?? 0
    if (!count || !total) continue
    pieces.push({ id, from, share: count / total, count })
    from += count / total
  }
  return pieces
}
