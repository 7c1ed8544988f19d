/**
 * The shape k of a generalised Pareto distribution fitted to the largest weights, which tells whether importance
 * sampling can be trusted: below 0.5 well, above 0.7 not. Zhang and Stephens's estimate (2009) as Vehtari, Simpson,
 * Gelman, Yao and Gabry use it (2024): the top min(n/5, 3 √n) weights, drawn towards 0.5 a little.
 * @returns -Infinity where the weights in the tail are all alike
 */
export function paretoShape(weights: ArrayLike<number>): number {
  const sorted = Float64Array.from(weights).sort()
  const n = sorted.length
  const tail = Math.floor(Math.min(n / 5, 3 * Math.sqrt(n)))
  if (tail < 5) return Infinity
  const least = sorted[n - tail - 1]!
  const over = Array.from(sorted.slice(n - tail), (w) => w - least)
  const largest = over.at(-1)!
  if (!(largest > 0) || !(over[0]! > 0)) return -Infinity
  const quarter = over[Math.floor(tail / 4 + 0.5) - 1]!
  const grid = 30 + Math.floor(Math.sqrt(tail))
  const shapeAt = (b: number) => over.reduce((s, v) => s + Math.log1p(-b * v), 0) / tail
  const bs = Array.from(
    { length: grid },
    (_, i) => 1 / largest + (1 - Math.sqrt(grid / (i + 0.5))) / (3 * quarter),
  )
  const logs = bs.map((b) => {
    const k = shapeAt(b)
    return tail * (Math.log(-b / k) - k - 1)
  })
  const top = Math.max(...logs)
  const masses = logs.map((v) => Math.exp(v - top))
  const mass = masses.reduce((s, v) => s + v, 0)
  const b = bs.reduce((s, v, i) => s + (v * masses[i]!) / mass, 0)
  const k = shapeAt(b)
  const PRIOR = 10
  return (tail * k + PRIOR * 0.5) / (tail + PRIOR)
}
