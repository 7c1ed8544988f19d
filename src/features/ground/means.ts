import type { MarkMeans } from '@/core/trial'

export type Means = Exclude<MarkMeans, 'coordinates'>

/** Ways to come by a distance without coordinates. */
export const MEANS: { means: Means; words: string; short: string }[] = [
  { means: 'tape', words: 'tape', short: 'by tape' },
  { means: 'wheel', words: 'measuring wheel', short: 'by wheel' },
  { means: 'paces', words: 'paces', short: 'by paces' },
  { means: 'odometer', words: 'odometer, along the road', short: 'by odometer' },
  { means: 'pegged', words: 'pegged: a guess now, measured later', short: 'pegged, not measured yet' },
]
