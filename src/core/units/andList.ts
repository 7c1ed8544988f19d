/** "a", "a and b", "a, b and c". */
export const andList = (of: readonly string[]) =>
  of.length < 2 ? (of[0] ?? '') : `${of.slice(0, -1).join(', ')} and ${of.at(-1)}`
