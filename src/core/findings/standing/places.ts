/** Who is ahead of whom, by draws of the same figure for each. */
export interface Places {
  /** Row by row, the chance that it comes first, second, and so on. */
  chances: number[][]
  /** The chance that the row is ahead of the column; half where nothing tells them apart. */
  ahead: number[][]
}

/** From here on a place before another is sure, of draws that no verdict stands beside. */
export const SURELY_AHEAD = 0.975

export const surelyBy = (ahead: Places['ahead'], row: number, column: number): boolean =>
  ahead[row]![column]! >= SURELY_AHEAD

/**
 * The chance of each place. Figures that are the same in a draw share its places evenly.
 * @param draws of each, taken together; the greatest comes first
 */
export function placesOf(draws: readonly ArrayLike<number>[]): Places {
  const k = draws.length
  const n = draws[0]?.length ?? 0
  const chances = draws.map(() => Array.from({ length: k }, () => 0))
  const ahead = draws.map((_, i) => Array.from({ length: k }, (_, j) => (i === j ? 0.5 : 0)))
  for (let i = 0; i < n; i++)
    for (let a = 0; a < k; a++) {
      let [before, same] = [0, 0]
      for (let b = 0; b < k; b++) {
        if (a === b) continue
        const difference = draws[b]![i]! - draws[a]![i]!
        if (difference > 0) before++
        else if (difference === 0) same++
        ahead[a]![b]! += difference < 0 ? 1 / n : difference === 0 ? 0.5 / n : 0
      }
      for (let p = before; p <= before + same; p++) chances[a]![p]! += 1 / (n * (same + 1))
    }
  return { chances, ahead }
}
