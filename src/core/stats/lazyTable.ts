/** Values on an even grid that are worked out where they are first read, a stretch at a time. */
export interface LazyTable {
  startDb: number
  stepDb: number
  values: Float64Array
  /** By stretch of {@link STRETCH} values: worked out already. */
  done: Uint8Array
  /** Works a stretch out. */
  fill: (stretch: number) => void
}

const BITS = 4
/** Values in a stretch. */
export const STRETCH = 1 << BITS

/**
 * A table that asks for its values when it is read.
 * @param values how many
 * @param fillFrom works out `into[from..to)`
 */
export function lazyTable(
  startDb: number,
  stepDb: number,
  size: number,
  fillFrom: (into: Float64Array, from: number, to: number) => void,
): LazyTable {
  const values = new Float64Array(size)
  const done = new Uint8Array((size >> BITS) + 1)
  return {
    startDb,
    stepDb,
    values,
    done,
    fill: (stretch) => {
      done[stretch] = 1
      fillFrom(values, stretch << BITS, Math.min(size, (stretch + 1) << BITS))
    },
  }
}

/** Reads between two values of a table, its ends holding beyond them. @param x place in steps from its start */
export function readBetween(table: LazyTable, x: number): number {
  const { values, done } = table
  const last = values.length - 1.0001
  const at = x < 0 ? 0 : x > last ? last : x
  const i = at | 0
  if (done[i >> BITS] === 0) table.fill(i >> BITS)
  if (done[(i + 1) >> BITS] === 0) table.fill((i + 1) >> BITS)
  const v = values[i]!
  return v + (at - i) * (values[i + 1]! - v)
}
