/**
 * Pattern search for the least value of a smooth function of a few variables: no derivatives, no randomness.
 * @param f function to minimise
 * @param start where to begin
 * @param steps first step along each variable, above nought
 * @param tolerance share of the first steps at which to stop
 */
export function minimise(
  f: (x: readonly number[]) => number,
  start: readonly number[],
  steps: readonly number[],
  tolerance = 0.01,
): { x: number[]; value: number } {
  const x = [...start]
  let value = f(x)
  let scale = 1
  while (scale > tolerance) {
    let moved = false
    for (let i = 0; i < x.length; i++) {
      for (const sign of [1, -1]) {
        const old = x[i]!
        x[i] = old + sign * scale * steps[i]!
        const next = f(x)
        if (next < value) {
          value = next
          moved = true
          break
        }
        x[i] = old
      }
    }
    if (!moved) scale /= 2
  }
  return { x, value }
}
