/** Both ends of an interval; an end that is null is open. */
export function intervalText(low: number | null, high: number | null, show: (v: number) => string): string {
  if (low !== null && high !== null) return `${show(low)} to ${show(high)}`
  if (low !== null) return `${show(low)} or more`
  if (high !== null) return `${show(high)} or less`
  return 'open at both ends'
}

/** An interval of distances, its unit said once where both ends share it. */
export function distanceInterval(
  low: number | null,
  high: number | null,
  show: (m: number) => string,
): string {
  const unit = (text: string) => text.split(' ')[1]
  if (low !== null && high !== null && unit(show(low)) === unit(show(high)))
    return `${show(low).split(' ')[0]} to ${show(high)}`
  return intervalText(low, high, show)
}
