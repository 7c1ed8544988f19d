// The fixed words of plans and logs.

/** How a mark's distance was come by; a pegged one is a guess until it is measured. */
export const MARK_MEANS = ['coordinates', 'tape', 'wheel', 'paces', 'pegged'] as const
export type MarkMeans = (typeof MARK_MEANS)[number]

/** Balanced over visits, as listed, or the first link again after each of the others. */
export const ORDER_SCHEMES = ['balanced', 'as listed', 'on-off-on'] as const
export type OrderScheme = (typeof ORDER_SCHEMES)[number]

export const SURROUNDINGS = ['clear', 'cluttered', 'mixed'] as const

/** What a listener says on a quick switch from one link to another. */
export const COMPARISONS = [
  'better',
  'a little better',
  'the same',
  'a little worse',
  'worse',
  'gone',
] as const
export type Comparison = (typeof COMPARISONS)[number]

/** Raised when entries of a kind appear that an older device or server does not know. */
export const LOG_PROTOCOL = 3
