/** A figure with its sign, to a tenth: "+3.1", "−0.4". */
export const signed = (v: number) => `${v > 0 ? '+' : v < 0 ? '−' : ''}${Math.abs(v).toFixed(1)}`

/** "a", "a and b", "a, b and c". */
export const andList = (of: readonly string[]) =>
  of.length < 2 ? (of[0] ?? '') : `${of.slice(0, -1).join(', ')} and ${of.at(-1)}`
