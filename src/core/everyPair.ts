/** Every two of a list, each pair once, in the list's order. */
export const everyPair = <T>(items: readonly T[]): (readonly [T, T])[] =>
  items.flatMap((a, i) => items.slice(i + 1).map((b) => [a, b] as const))
