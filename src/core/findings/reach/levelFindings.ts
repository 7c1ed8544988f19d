import { listenerOf, type Direction } from '@/core/kit/rig/rig'
import {
  cutDraws,
  levelDraws,
  meanOf,
  posteriorOf,
  slopeDraws,
  spreadOf,
  type Posterior,
  type Reaches,
} from '@/core/model/answers'
import { Fall } from '@/core/model/fall'
import type { ModelFit } from '@/core/model/fit'
import { dbmOfWatts } from '@/core/rf/levels'
import { isInDb } from '@/core/reports/toCell'
import type { FindingsInput, ReadCheck } from '../input'
import type { JointFit } from '../joint/jointFit'
import { ruleAt } from '../joint/modelInput'
import type { CellsById } from '../levels'
import { tellsReach } from './jointReaches'

/** One check as a level; an open end is null. Attenuation put in out there is taken out. */
interface LevelPoint {
  checkId: string
  markId: string
  linkId: string
  direction: Direction
  distanceM: number
  low: number | null
  high: number | null
  notHeard: boolean
}

/** A fitted line of level against distance, with the 90 % band of the median. */
interface LevelLine {
  distanceM: number
  level: number
  low: number
  high: number
}

/** A link in a direction: its line, and the level that its copies need. */
interface LevelGroup {
  linkId: string
  direction: Direction
  line: LevelLine[]
  needed: { levelDb: number; softDb: number }
}

/** How far it is from one handset to another by way of a relay, m. */
export interface RelayReach {
  chance: number
  estimateM: number
  lowM: number
  highM: number
}

/** What the reports say in dB, check by check. */
interface LevelPoints {
  points: LevelPoint[]
  /** Marks and reports that say something. */
  marks: number
  reports: number
}

/** What the levels say whatever the copy rule. */
interface LevelLines {
  /** n with its 90 % interval: the level falls by 10 n dB a decade. */
  slope: { estimate: number; low: number; high: number }
  shadowDb: number
  linkDb: number
  callDb: number
  shadowKm: number
  groups: Omit<LevelGroup, 'needed'>[]
  /**
   * How much stronger each link is heard out there than at the base, dB, and how much of it the greater power explains.
   */
  outBack: { linkId: string; db: number; low: number; high: number; powerDb: number }[]
}

/** What does not hang on the copy rule. */
export interface PreparedLevels extends LevelPoints {
  /** null where too few reports are in dB, or too few marks at different distances have any. */
  lines: LevelLines | null
}

export interface LevelFindings extends LevelPoints, Omit<LevelLines, 'groups'> {
  groups: LevelGroup[]
  /** Handset to handset by way of a relay, both as far from it; empty where the base is none. */
  through: { linkId: string; reaches: RelayReach[] }[]
}

const LINE_STEPS = 24
/** Fewer marks than this are no line of level against distance. */
const MIN_LEVEL_MARKS = 5

/** The reports as levels, and the lines through them. */
export function prepareLevels(
  input: FindingsInput,
  checks: readonly ReadCheck[],
  cells: CellsById,
  joint: JointFit | null,
): PreparedLevels {
  const read = levelPoints(input, checks, cells)
  return { ...read, lines: joint && tellsReach(input, joint) ? linesOf(input, joint, read) : null }
}

function levelPoints(input: FindingsInput, checks: readonly ReadCheck[], cells: CellsById): LevelPoints {
  const marks = new Map(input.marks.map((m) => [m.id, m]))
  const finite = (v: number) => (Number.isFinite(v) ? v : null)
  const used = checks.filter(
    (c) => cells.has(c.id) && marks.has(c.markId) && isInDb(input.scales[listenerOf(c.direction)]),
  )
  const points = used
    .filter((c) => !cells.get(c.id)!.inWords)
    .map((c): LevelPoint => {
      const cell = cells.get(c.id)!
      const { id: checkId, markId, linkId, direction } = c
      return {
        checkId,
        markId,
        linkId,
        direction,
        distanceM: marks.get(markId)!.distanceM,
        low: finite(cell.lower),
        high: finite(cell.upper),
        notHeard: cell.notHeard,
      }
    })
  return { points, marks: new Set(points.map((p) => p.markId)).size, reports: points.length }
}

function linesOf(input: FindingsInput, { fit }: JointFit, { points }: LevelPoints): LevelLines | null {
  const bounded = points.filter((p) => p.low !== null && p.high !== null)
  const marks = new Set(bounded.map((p) => p.markId))
  const distances = new Set(bounded.map((p) => Math.round(p.distanceM)))
  if (marks.size < MIN_LEVEL_MARKS || distances.size < 3) return null
  const slope = posteriorOf(fit, slopeDraws(fit))
  return {
    slope: { estimate: slope.q50, low: slope.q05, high: slope.q95 },
    shadowDb: spreadOf(fit, 'groundDb'),
    linkDb: spreadOf(fit, 'ownDb'),
    callDb: spreadOf(fit, 'callDb'),
    shadowKm: spreadOf(fit, 'sharedM') / 1000,
    groups: groupsOf(input, fit, points),
    outBack: outBackOf(input, fit),
  }
}

/**
 * What the levels say under the copy rule; null where there are no lines.
 * @param read as reachesUnder gave it @param chances for which reaches through a relay are told
 */
export function levelFindings(
  input: FindingsInput,
  { input: joint, fit }: JointFit,
  { lines, ...levels }: PreparedLevels,
  read: Reaches | null,
  chances: readonly number[],
): LevelFindings | null {
  if (!lines || !read) return null
  const softDb = meanOf(fit, (d) => fit.points[d.point]!.spreads.cutDb)
  const needed = new Map(
    input.directions.map((direction, d) => {
      const rule = ruleAt(input.copyRule, joint.readers[d]!, null)
      return [direction, { levelDb: posteriorOf(fit, cutDraws(fit, d, rule.step)).q50, softDb }]
    }),
  )
  return {
    ...levels,
    ...lines,
    groups: lines.groups.map((g) => ({ ...g, needed: needed.get(g.direction)! })),
    through: throughOf(input, fit, read, chances),
  }
}

function groupsOf(input: FindingsInput, fit: ModelFit, points: readonly LevelPoint[]): LevelLines['groups'] {
  const fall = new Fall(fit)
  const all = points.map((p) => p.distanceM)
  const [near, far] = [Math.min(...all), Math.max(...all) * 1.5]
  const at = Array.from({ length: LINE_STEPS + 1 }, (_, i) => near * (far / near) ** (i / LINE_STEPS))
  return input.directions.flatMap((direction, d) =>
    input.links.flatMap((link, l) => {
      if (!points.some((p) => p.linkId === link.id && p.direction === direction)) return []
      const level = levelDraws(fit, l, d)
      const line = at.map((distanceM): LevelLine => {
        const lg = Math.log10(distanceM)
        const p = posteriorOf(
          fit,
          level.map((v, i) => v - fall.to(i, lg)),
        )
        return { distanceM, level: p.mean, low: p.q05, high: p.q95 }
      })
      return [{ linkId: link.id, direction, line }]
    }),
  )
}

/**
 * Talk-out against talk-back by the fitted levels: from base less to base. Two meters stand behind it, and
 * their difference too.
 */
function outBackOf(input: FindingsInput, fit: ModelFit): LevelFindings['outBack'] {
  const [out, back] = [input.directions.indexOf('from base'), input.directions.indexOf('to base')]
  if (out < 0 || back < 0) return []
  const inDb = [out, back].every((d) => isInDb(input.scales[listenerOf(input.directions[d]!)]))
  if (!inDb) return []
  return input.links.map((link, l) => {
    const there = levelDraws(fit, l, out)
    const here = levelDraws(fit, l, back)
    const p = posteriorOf(
      fit,
      there.map((v, i) => v - here[i]!),
    )
    const powerDb = dbmOfWatts(link.base.powerW) - dbmOfWatts(link.out.powerW)
    return { linkId: link.id, db: p.q50, low: p.q05, high: p.q95, powerDb }
  })
}

function throughOf(
  input: FindingsInput,
  fit: ModelFit,
  read: Reaches,
  chances: readonly number[],
): LevelFindings['through'] {
  const relays = input.links.map((l) => l.base.kind === 'relay')
  if (!relays.includes(true) || input.directions.length !== 2) return []
  const reachOf = (chance: number, p: Posterior): RelayReach => ({
    chance,
    estimateM: 10 ** p.q50,
    lowM: 10 ** p.q05,
    highM: 10 ** p.q95,
  })
  return input.links.flatMap((link, l) =>
    relays[l]
      ? [
          {
            linkId: link.id,
            reaches: chances.map((c) => reachOf(c, posteriorOf(fit, read.throughRelay(l, c)))),
          },
        ]
      : [],
  )
}
