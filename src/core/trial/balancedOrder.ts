import { uniformRandom } from '@/core/stats/numeric/uniformRandom'

/**
 * Rows of a Williams design: every treatment in every place equally often, and each after every other equally often.
 * @param n number of treatments, 2 or more
 * @returns n rows for an even n, 2n for an odd one, of indices 0..n-1
 */
export function williamsSquare(n: number): number[][] {
  if (!(n >= 2)) throw new RangeError(`n must be 2 or more, not ${n}`)
  const first: number[] = [0]
  for (let i = 1, low = 1, high = n - 1; i < n; i++) first.push(i % 2 === 1 ? low++ : high--)
  const rows = Array.from({ length: n }, (_, r) => first.map((t) => (t + r) % n))
  return n % 2 === 0 ? rows : [...rows, ...rows.map((row) => [...row].reverse())]
}

/**
 * The order of links for each visit, balanced so that each comes first equally often: AB then BA for two, Williams
 * squares for more, the rows of each block and the letters shuffled by a seed.
 * @param links how many
 * @param visits how many times the whole set is gone through
 * @param seed whole number; the same seed gives the same order
 */
export function balancedOrder(links: number, visits: number, seed: number): number[][] {
  if (links < 1) return Array.from({ length: visits }, () => [])
  if (links === 1) return Array.from({ length: visits }, () => [0])
  const random = uniformRandom(seed)
  const labels = random.shuffled(Array.from({ length: links }, (_, i) => i))
  const square = williamsSquare(links)
  const rows: number[][] = []
  while (rows.length < visits) rows.push(...random.shuffled(square).map((row) => row.map((t) => labels[t]!)))
  return rows.slice(0, visits)
}
