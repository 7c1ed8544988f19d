import { densityAt, spreadsOf } from './density'
import { Field } from './field'
import { Modes } from './modes'
import { peakOf, type Peak } from './peak'
import type { FitPoint } from './points'
import { modelData } from './reports'
import { ofAll, thinned } from './thinned'

/** A long log is looked at in part first, of about so many different reports. */
const PART = 800
/** Added to variances of few points, which understate them. */
const LEAST_VARIANCE = 0.0005

/** Where the spreads of a fit lie, and how. */
function peakOfPoints(points: readonly FitPoint[]): Peak {
  const whole = points.reduce((s, p) => s + p.weight, 0)
  const mean = (of: (theta: Float64Array) => number) =>
    points.reduce((s, p) => s + p.weight * of(p.theta), 0) / whole
  const x = points[0]!.theta.map((_, i) => mean((t) => t[i]!))
  const covariance = Array.from(x, (m, i) =>
    Array.from(x, (n, j) => mean((t) => (t[i]! - m) * (t[j]! - n)) + (i === j ? LEAST_VARIANCE : 0)),
  )
  return { x, covariance }
}

/** Where the spreads of a long log are about likeliest, by a part of it. */
function peakByPart({ data, said, priors }: Field): Peak {
  const one = Math.ceil(said / PART)
  const modes = new Modes(new Field(modelData(thinned(data, one)), priors))
  const at = (theta: Float64Array) => densityAt(modes, priors, theta)?.ln ?? -Infinity
  return ofAll(peakOf(spreadsOf(data.input), at), one)
}

/** Where the spreads of a long log are looked for first: about those of a fit of nearly the same, or of a part of it. */
export const startPeak = (field: Field, near: readonly FitPoint[] | undefined): Peak =>
  near ? peakOfPoints(near) : peakByPart(field)
