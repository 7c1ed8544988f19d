/**
 * Holm's step-down adjustment of p values, so that the chance of any false "better" stays at the level asked.
 * @param p values 0 to 1, in any order
 * @returns adjusted values in the order given
 * @example holm([0.01, 0.04, 0.03]) // [0.03, 0.06, 0.06], as R's p.adjust
 */
export function holm(p: readonly number[]): number[] {
  const order = p.map((value, i) => ({ value, i })).sort((a, b) => a.value - b.value)
  const adjusted = new Array<number>(p.length)
  let running = 0
  order.forEach(({ value, i }, rank) => {
    running = Math.max(running, Math.min(1, (p.length - rank) * value))
    adjusted[i] = running
  })
  return adjusted
}
