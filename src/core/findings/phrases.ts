/** A figure to a tenth with a proper minus: "3.1", "−0.4". */
export function tenths(v: number): string {
  const size = Math.abs(v).toFixed(1)
  return v < 0 && size !== '0.0' ? `−${size}` : size
}

/** A figure with its sign, to a tenth: "+3.1", "−0.4", "0.0". */
export const signed = (v: number) => (v > 0 && tenths(v) !== '0.0' ? `+${tenths(v)}` : tenths(v))

/** "a", "a and b", "a, b and c". */
export const andList = (of: readonly string[]) =>
  of.length < 2 ? (of[0] ?? '') : `${of.slice(0, -1).join(', ')} and ${of.at(-1)}`
