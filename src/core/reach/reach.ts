/** How far out a copy is had with a chance, as it is told. */
export interface Reach {
  /** Chance of the agreed copy, 0 to 1. */
  chance: number
  /** Median, m; null where the reports do not fix it. */
  estimateM: number | null
  /** 5 and 95 per cent points, m; null is open. */
  lowM: number | null
  highM: number | null
  /** All copied, none copied, or some of each. */
  seen: 'all copied' | 'none copied' | 'some copied' | 'too few marks'
  nearestM: number
  farthestM: number
  /** The estimate lies beyond the marks on either side. */
  extrapolated: boolean
  marks: number
}

/** Fewer marks than this say nothing of a reach. */
export const MIN_REACH_MARKS = 4
