/** So many points a drawing has at the most: with more, dots lie on dots. */
const MOST_POINTS = 300

/** As many points as a drawing can show, spread evenly over all of them; all where they are few. */
export function everyNth<T>(points: readonly T[], most = MOST_POINTS): T[] {
  if (points.length <= most) return [...points]
  const step = points.length / most
  return Array.from({ length: most }, (_, i) => points[Math.floor(i * step)]!)
}
