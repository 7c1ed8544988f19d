type Four = readonly [number, number, number, number]

/**
 * What each of four values counts in the cubic through them, read at x (Lagrange).
 * @param at their places, all different
 */
export function lagrangeCubic(at: Four, x: number): Four {
  const [a, b, c, d] = at
  const [ta, tb, tc, td] = [x - a, x - b, x - c, x - d]
  return [
    (tb * tc * td) / ((a - b) * (a - c) * (a - d)),
    (ta * tc * td) / ((b - a) * (b - c) * (b - d)),
    (ta * tb * td) / ((c - a) * (c - b) * (c - d)),
    (ta * tb * tc) / ((d - a) * (d - b) * (d - c)),
  ]
}
