/** From low to high; an open end is null. */
export interface Interval<T extends number | null = number | null> {
  low: T
  high: T
}
