import type { CheckKey } from '@/core/trial'

/** A check still to be made, and what it would do. */
export interface WorthyCheck extends CheckKey {
  /** Of the variance of what is asked it takes away so much, 0 to 1. */
  narrows: number
  perMinute: number
}

/** What to expect of the rest of a run, by what was heard of it so far. */
export interface FieldForecast {
  /** Checks that it was corrected by, of this run and of others. */
  checks: number
  /** Of this run's checks it knows so many. */
  ofRun: number
  /** The chance of copy in the weaker of the trial's directions, 0 to 1, as {@link forecastKey} names it. */
  chances: Record<string, number>
  /** Open checks, the one that tells most a minute first; one for each mark, link and direction. */
  worth: WorthyCheck[]
}

/** How {@link FieldForecast.chances} names a mark and a link. */
export const forecastKey = (markId: string, linkId: string) => `${markId} ${linkId}`
