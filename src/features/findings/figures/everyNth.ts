/** As many points as a drawing can show, spread evenly over all of them; all where they are few. */
export function everyNth<T>(points: readonly T[], most: number): T[] {
  if (points.length <= most) return [...points]
  const step = points.length / most
  return Array.from({ length: most }, (_, i) => points[Math.floor(i * step)]!)
}
