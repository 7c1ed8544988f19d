import { intervalRegression } from '@/core/stats/intervalRegression'
import { descend } from '@/core/stats/descend'
import { importanceDraws } from '@/core/stats/importanceDraws'
import { chanceTables } from '@/core/stats/chanceTables'
import {
  legsOf,
  levelLogLikelihood,
  type LegData,
  type LevelMark,
  type LevelParameters,
  type LevelReport,
} from './levelLikelihood'

export {
  legsOf,
  levelLogLikelihood,
  type LevelMark,
  type LevelParameters,
  type LevelReport,
} from './levelLikelihood'

export interface LevelFit {
  groups: string[]
  parameters: LevelParameters
  /** Equally likely parameters, drawn from the posterior; the same for the same reports. */
  draws: LevelParameters[]
  logPosterior: number
  marks: number
  reports: number
}

/**
 * Weak priors, mean and standard deviation, of the slope n and of the logarithms of the spreads (dB) and of the
 * correlation distance (km). They keep every spread away from nought and infinity where a run says little of it.
 */
const LEVEL_PRIORS = {
  slope: [3.5, 1.5],
  shadowDb: [Math.log(5), 0.7],
  linkDb: [Math.log(2), 0.7],
  callDb: [Math.log(2), 0.7],
  shadowKm: [Math.log(0.3), Math.log(2)],
} as const

/** Fewest marks for a level model. */
const MIN_LEVEL_MARKS = 5
const DRAWS = 240
const SEED = 1

/** Parameters of a point on the scale of fitting. */
function parametersAt(x: readonly number[], groups: number): LevelParameters {
  const [slope, shadow, link, call, far] = x.slice(groups) as [number, number, number, number, number]
  return {
    levels: x.slice(0, groups),
    slope,
    shadowDb: Math.exp(shadow),
    linkDb: Math.exp(link),
    callDb: Math.exp(call),
    shadowKm: Math.exp(far),
  }
}

function logPrior(x: readonly number[], groups: number): number {
  const { slope, shadowDb, linkDb, callDb, shadowKm } = LEVEL_PRIORS
  return [slope, shadowDb, linkDb, callDb, shadowKm].reduce(
    (sum, [mean, sd], i) => sum - 0.5 * ((x[groups + i]! - mean) / sd) ** 2,
    0,
  )
}

/** Where to begin: the same reports with no mark effects, which is a regression of intervals. */
function begin(legs: readonly LegData[], groups: number): number[] | null {
  const data = legs.flatMap(({ marks }) =>
    marks.flatMap(({ lgKm, links }) =>
      links.flat().map(({ group, cell }) => ({
        x: [...Array.from({ length: groups }, (_, g) => (g === group ? 1 : 0)), -10 * lgKm],
        lower: cell.lower,
        upper: cell.upper,
      })),
    ),
  )
  const fit = intervalRegression(data)
  if (!fit) return null
  const slope = Math.max(1.5, Math.min(6, fit.coefficients[groups]!))
  const sd = Math.max(1.5, fit.sd)
  return [
    ...fit.coefficients.slice(0, groups),
    slope,
    Math.log(0.8 * sd),
    Math.log(0.4 * sd),
    Math.log(0.45 * sd),
    LEVEL_PRIORS.shadowKm[0],
  ]
}

/**
 * The level of every link and direction against distance, from reports that are intervals: level = a(group) -
 * 10 n lg d + s(mark) + u(mark, link) + e, the shadowing s correlated along a leg, with the weak priors of
 * {@link LEVEL_PRIORS}; not heard is below a threshold with a width. The mode of the posterior and Laplace's
 * approximation about it.
 * @param reports cells in dB; those of marks that are not among the marks are passed over
 * @returns null below {@link MIN_LEVEL_MARKS} marks at different distances, or where nothing bounds the levels
 */
export function fitLevels(marks: readonly LevelMark[], reports: readonly LevelReport[]): LevelFit | null {
  const known = new Set(marks.filter((m) => m.distanceM > 0).map((m) => m.id))
  const used = reports.filter((r) => known.has(r.markId))
  const bounded = new Set(
    used.filter((r) => Number.isFinite(r.cell.lower) && Number.isFinite(r.cell.upper)).map((r) => r.markId),
  )
  const distances = new Set(marks.filter((m) => bounded.has(m.id)).map((m) => Math.round(m.distanceM)))
  if (bounded.size < MIN_LEVEL_MARKS || distances.size < 3) return null
  const groups = [...new Set(used.map((r) => r.group))].sort()
  const legs = legsOf(
    marks.filter((m) => known.has(m.id)),
    used,
    groups,
  )
  const start = begin(legs, groups.length)
  if (!start) return null
  const tableOf = chanceTables()
  const cost = (x: readonly number[]) => {
    const p = parametersAt(x, groups.length)
    if (!(p.shadowDb < 60 && p.linkDb < 40 && p.callDb < 40 && p.callDb > 0.15)) return 1e9
    return -levelLogLikelihood(legs, p, tableOf) - logPrior(x, groups.length)
  }
  const scale = [...groups.map(() => 1), 0.2, 0.2, 0.3, 0.3, 0.3]
  const found = descend(cost, start, scale)
  if (!found.covariance) return null
  const draws = importanceDraws((x) => -cost(x), found.x, found.covariance, DRAWS, SEED)
  return {
    groups,
    parameters: parametersAt(found.x, groups.length),
    draws: draws.map((x) => parametersAt(x, groups.length)),
    logPosterior: -found.value,
    marks: new Set(used.map((r) => r.markId)).size,
    reports: used.length,
  }
}
