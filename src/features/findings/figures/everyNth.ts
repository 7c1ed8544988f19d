/** A drawing of more points than these shows fewer of them: dots would lie on dots. */
const MOST_POINTS = 300
const SHOWN_OF_MORE = 100

/** As many points as a drawing can show, spread evenly over all of them; all where they are few. */
export function everyNth<T>(points: readonly T[]): T[] {
  if (points.length <= MOST_POINTS) return [...points]
  const step = points.length / SHOWN_OF_MORE
  return Array.from({ length: SHOWN_OF_MORE }, (_, i) => points[Math.floor(i * step)]!)
}

/** That not all points are drawn; empty where they are. */
export const thinnedWords = (drawn: number, inAll: number): string =>
  drawn < inAll
    ? ` ${drawn} of ${inAll.toLocaleString('en-GB')} are drawn, evenly spread, and stand in the CSV.`
    : ''
