import { minimise } from '../numeric/minimise'
import { HeardMarks, type HeardOrNot } from './heardMarks'

/**
 * The level at which half of the calls are heard, and how soft that edge is: its own width, and how well it
 * is known, by the curvature of the likelihood, put together.
 */
export interface HearingThreshold {
  thresholdDb: number
  softDb: number
}

/**
 * A listener's hearing threshold and its width, P(heard) = Φ((level - T) / τ), from marks where several links were
 * tried and some were heard: what was heard tells how strong the mark was, what was not tells where hearing ends.
 *
 * Maximum likelihood with each mark's level flat and integrated out, offsets of the links and their spread fitted
 * beside it, and weak priors: T around the lowest step heard with 8 dB, ln τ ~ N(ln 2.5, 0.5), ln σ ~ N(ln 4, 1).
 * A hard threshold at the lowest step was measured to bias differences by about 2 dB.
 * @param marks reports by mark, dB, one listener
 * @returns null when everything was heard or nothing was (no edge to find)
 */
export function hearingThreshold(marks: readonly (readonly HeardOrNot[])[]): HearingThreshold | null {
  const isHeard = (r: HeardOrNot) => r.heard
  if (!marks.some((m) => m.some(isHeard)) || marks.every((m) => m.every(isHeard))) return null
  const reports = new HeardMarks(marks)
  const { lowest } = reports
  const others = reports.links.slice(1)
  const offsets = new Float64Array(reports.links.length)
  const cost = (x: ArrayLike<number>): number => {
    const [threshold, lnSoft, lnSpread] = [x[0]!, x[1]!, x[2]!]
    for (let k = 1; k < offsets.length; k++) offsets[k] = x[2 + k]!
    return (
      0.5 * ((threshold - lowest) / 8) ** 2 +
      0.5 * ((lnSoft - Math.log(2.5)) / 0.5) ** 2 +
      0.5 * ((lnSpread - Math.log(4)) / 1) ** 2 -
      reports.lnLikelihood(threshold, Math.exp(lnSoft), Math.exp(lnSpread), offsets)
    )
  }
  const start = [lowest, Math.log(2.5), Math.log(4), ...others.map(() => 0)]
  const firstSteps = [3, 0.4, 0.4, ...others.map(() => 3)]
  const { x, value } = minimise(cost, start, firstSteps, 0.05)
  const moved = (by: number) => cost([x[0]! + by, ...x.slice(1)])
  const curve = (moved(1) + moved(-1) - 2 * value) / 1
  return { thresholdDb: x[0]!, softDb: Math.hypot(Math.exp(x[1]!), curve > 0.06 ? 1 / Math.sqrt(curve) : 4) }
}
