/** A distance that is sought is known to within this, in decades: a thousandth of it. */
const LG_CLOSE = 4e-4
const MAX_TRIES = 30

/** Where a falling function is nought, at or below a place where it is not above. @param step to look downwards by */
export function nought(f: (x: number) => number, from: number, step: number): number {
  let [high, atHigh] = [from, f(from)]
  if (atHigh >= 0) return high
  let low = high - step
  let atLow = f(low)
  for (let tries = 0; atLow < 0 && tries < MAX_TRIES; tries++) {
    ;[high, atHigh] = [low, atLow]
    low -= step * (tries + 2)
    atLow = f(low)
  }
  if (!(atLow > 0)) return low
  // The Illinois method: false position that does not stay on one side.
  let side = 0
  for (let tries = 0; high - low > LG_CLOSE && tries < MAX_TRIES; tries++) {
    const middle = low + ((high - low) * atLow) / (atLow - atHigh)
    const found = f(middle)
    if (Math.abs(found) < 1e-5) return middle
    if (found > 0) {
      ;[low, atLow] = [middle, found]
      if (side > 0) atHigh /= 2
      side = 1
    } else {
      ;[high, atHigh] = [middle, found]
      if (side < 0) atLow /= 2
      side = -1
    }
  }
  return (low + high) / 2
}
