/**
 * By how much knowing which group a figure falls into would narrow it: the share of its spread (standard deviation)
 * that is expected to go. Groups of one draw tell nothing, so that many small groups are no promise.
 * @param target by draw @param groups by draw
 */
export function narrowingBy(target: ArrayLike<number>, groups: readonly string[]): number {
  const n = groups.length
  const sums = new Map<string, { n: number; sum: number; square: number }>()
  let [sum, square] = [0, 0]
  for (let i = 0; i < n; i++) {
    const v = target[i]!
    const g = sums.get(groups[i]!) ?? { n: 0, sum: 0, square: 0 }
    sums.set(groups[i]!, g)
    g.n++
    g.sum += v
    g.square += v * v
    sum += v
    square += v * v
  }
  const whole = (square - (sum * sum) / n) / (n - 1)
  if (!(whole > 0)) return 0
  let left = 0
  for (const g of sums.values()) {
    const within = g.n < 2 ? whole : Math.max(0, (g.square - (g.sum * g.sum) / g.n) / (g.n - 1))
    left += (g.n / n) * within
  }
  return Math.max(0, 1 - Math.sqrt(Math.min(1, left / whole)))
}
