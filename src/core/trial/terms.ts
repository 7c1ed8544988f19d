// The fixed words of plans and logs.

/** How a mark's distance was come by; a pegged one is a guess until it is measured. */
export const MARK_MEANS = ['coordinates', 'tape', 'wheel', 'paces', 'odometer', 'pegged'] as const
export type MarkMeans = (typeof MARK_MEANS)[number]

/** Balanced over visits, as listed, or the first link again after each of the others. */
export const ORDER_SCHEMES = ['balanced', 'as listed', 'on-off-on'] as const
export type OrderScheme = (typeof ORDER_SCHEMES)[number]

export const SURROUNDINGS = ['clear', 'cluttered', 'mixed'] as const

/** What a trial can be begun with. */
export const QUESTION_KINDS = [
  'antennas',
  'one rig',
  'height or power',
  'base then car',
  'one place',
  'edge',
  'site',
  'short wave',
  'by ear',
  'matrix',
  'open',
] as const
export type QuestionKind = (typeof QUESTION_KINDS)[number]

/**
 * How a trial is worked: at planned marks; at one place, plugging in and out; to the edge, rig by rig; by ear on the
 * way; or wherever one can stop, marks made there.
 */
export const WAYS_OF_WORKING = ['marks', 'one place', 'edges', 'by ear', 'anywhere'] as const
export type WayOfWorking = (typeof WAYS_OF_WORKING)[number]

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
export const LOG_PROTOCOL = 5
