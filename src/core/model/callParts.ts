import { normalPdf } from '@/core/stats/numeric/normal'
import type { ModelPriors } from './priors'

/** One part of the spread from call to call: its share, its standard deviation in dB, ln of its height. */
export interface Part {
  share: number
  width: number
  lnHeight: number
}

/** Most calls, and the few that are spread wider. @param sd standard deviation of those so many times as wide, dB */
export function callParts({ wide: [rare, times] }: ModelPriors, sd: (times: number) => number): [Part, Part] {
  const part = (share: number, width: number): Part => ({
    share,
    width,
    lnHeight: Math.log((share * normalPdf(0)) / width),
  })
  return [part(1 - rare, sd(1)), part(rare, sd(times))]
}
