/**
 * An array of n figures, each worked out from its place. A plain loop: Float64Array.from with a function takes some
 * twenty times as long.
 */
export function filled(n: number, at: (i: number) => number): Float64Array {
  const out = new Float64Array(n)
  for (let i = 0; i < n; i++) out[i] = at(i)
  return out
}
