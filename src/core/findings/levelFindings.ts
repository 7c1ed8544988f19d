import { listenerOf, type Direction } from '@/core/kit/rig/rig'
import { dbmOfWatts } from '@/core/rf/levels'
import { isCopied } from '@/core/reports/copyRule'
import { isInDb } from '@/core/reports/toCell'
import { fitLevels, type LevelFit } from '@/core/reach/levelModel'
import { neededLevel } from '@/core/reach/neededLevel'
import {
  levelLine,
  reachFromLevels,
  reachThroughRelay,
  type LevelLine,
  type LevelReach,
  type NeededLevel,
} from '@/core/reach/reachFromLevels'
import { cellMiddle, shiftCell } from '@/core/stats/levelCell'
import { runOffsets } from './breakdown/runOffsets'
import { sortedQuantile } from '@/core/stats/sortedQuantile'
import type { Mark } from '@/core/trial/plan'
import type { FindingsInput, ReadCheck } from './input'
import { everyCall, type CellsById } from './levels'

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

/** A link in a direction: its line, the level its copies need, and how far it holds. */
interface LevelGroup {
  linkId: string
  direction: Direction
  line: LevelLine[]
  needed: NeededLevel | null
  reaches: LevelReach[]
}

/** What depends on the log alone and takes most of the time. */
export interface FittedLevels {
  fit: LevelFit | null
  points: LevelPoint[]
  cells: CellsById
}

export interface LevelFindings {
  /** n with its 90 % interval: the level falls by 10 n dB a decade. */
  slope: { estimate: number; low: number; high: number }
  shadowDb: number
  linkDb: number
  callDb: number
  shadowKm: number
  marks: number
  reports: number
  groups: LevelGroup[]
  points: LevelPoint[]
  /**
   * How much stronger each link is heard out there than at the base, dB, and how much of it the greater power explains.
   */
  outBack: { linkId: string; db: number; low: number; high: number; powerDb: number }[]
  /** Handset to handset by way of a relay, both as far from it; empty where the base is none. */
  through: { linkId: string; reaches: LevelReach[] }[]
}

const groupOf = (linkId: string, direction: Direction) => `${linkId} ${direction}`
const LINE_STEPS = 24

/**
 * Fits the level model to a run, at the middle of what an unknown step may be.
 * @param sets as {@link cellsOf} gave them
 */
export function fitRunLevels(
  input: FindingsInput,
  checks: readonly ReadCheck[],
  sets: readonly CellsById[],
): FittedLevels {
  const cells = dayTakenOut(input, checks, sets[Math.floor(sets.length / 2)]!)
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
  const usedAt = new Set(used.map((c) => c.markId))
  const kept = someOf(input.marks.filter((m) => usedAt.has(m.id)))
  const fit = fitLevels(
    kept.map((m) => ({
      id: m.id,
      legId: m.legId,
      distanceM: m.distanceM,
      alongM: m.alongM ?? m.distanceM,
    })),
    used.flatMap((c) =>
      everyCall(cells.get(c.id)).map((cell) => ({
        markId: c.markId,
        linkId: c.linkId,
        group: groupOf(c.linkId, c.direction),
        cell,
      })),
    ),
  )
  return { fit, points, cells }
}

/** The model is fitted to this many marks at the most; more would take long and tell little more. */
const MAX_MARKS = 100

/** Marks taken evenly out of a long list, each leg in its order. */
function someOf(marks: readonly Mark[]): readonly Mark[] {
  if (marks.length <= MAX_MARKS) return marks
  const sorted = [...marks].sort((a, b) => a.legId.localeCompare(b.legId) || a.distanceM - b.distanceM)
  return Array.from({ length: MAX_MARKS }, (_, i) => sorted[Math.floor((i * sorted.length) / MAX_MARKS)]!)
}

/** Where runs are put together, each day's offset taken out of its levels, so that a mark is one place on all days. */
function dayTakenOut(input: FindingsInput, checks: readonly ReadCheck[], cells: CellsById): CellsById {
  const offsets = new Map(runOffsets(input, checks, cells).map((o) => [o.runId, o.offsetDb ?? 0]))
  if (![...offsets.values()].some((v) => v !== 0)) return cells
  const moved: CellsById = new Map()
  for (const c of checks) {
    const [cell, offset] = [cells.get(c.id), offsets.get(c.runId ?? '') ?? 0]
    if (cell)
      moved.set(c.id, {
        ...shiftCell(cell, offset),
        missed: cell.missed.map((m) => shiftCell(m, offset)),
        inWords: cell.inWords,
      })
  }
  return moved
}

/**
 * The level that copies by the rule need at one listener; what was put into the path is left in, since the
 * listener had it so.
 */
function neededIn(
  input: FindingsInput,
  checks: readonly ReadCheck[],
  cells: CellsById,
  direction: Direction,
): NeededLevel | null {
  const here = checks.filter((c) => c.direction === direction && cells.has(c.id))
  const seen = here.flatMap((c) => {
    const cell = cells.get(c.id)!
    const middle = cellMiddle(cell)
    const copied = isCopied(c.reading, c.calls, input.copyRule)
    if (cell.notHeard || middle === null || copied === null) return []
    return [{ levelDb: middle - c.attenuationDb, copied }]
  })
  const silent = here.filter((c) => cells.get(c.id)!.notHeard)
  const threshold = silent[0] && cells.get(silent[0].id)!
  const hearing = threshold
    ? { levelDb: threshold.upper - silent[0]!.attenuationDb, softDb: Math.max(1, threshold.softDb) }
    : null
  return neededLevel(seen, silent.length, hearing)
}

/**
 * Talk-out against talk-back by the fitted levels: from base less to base. Two meters stand behind it, and
 * their difference too.
 */
function outBackOf(input: FindingsInput, fit: LevelFit): LevelFindings['outBack'] {
  return input.links.flatMap((link) => {
    const [out, back] = [
      fit.groups.indexOf(groupOf(link.id, 'from base')),
      fit.groups.indexOf(groupOf(link.id, 'to base')),
    ]
    if (out < 0 || back < 0) return []
    const all = fit.draws.map((d) => d.levels[out]! - d.levels[back]!).sort((a, b) => a - b)
    const powerDb = dbmOfWatts(link.base.powerW) - dbmOfWatts(link.out.powerW)
    return [
      {
        linkId: link.id,
        db: sortedQuantile(all, 0.5),
        low: sortedQuantile(all, 0.05),
        high: sortedQuantile(all, 0.95),
        powerDb,
      },
    ]
  })
}

/** What the levels say under a copy rule; null where no model could be fitted. */
export function levelFindings(
  input: FindingsInput,
  checks: readonly ReadCheck[],
  fitted: FittedLevels,
  chances: readonly number[],
): LevelFindings | null {
  const { fit, points, cells } = fitted
  if (!fit) return null
  const distances = points.map((p) => p.distanceM)
  const [near, far] = [Math.min(...distances), Math.max(...distances) * 1.5]
  const at = Array.from({ length: LINE_STEPS + 1 }, (_, i) => near * (far / near) ** (i / LINE_STEPS))
  const slopes = fit.draws.map((d) => d.slope).sort((a, b) => a - b)
  const q = (p: number) => sortedQuantile(slopes, p)
  const { shadowDb, linkDb, callDb, shadowKm } = fit.parameters
  const needed = new Map(input.directions.map((d) => [d, neededIn(input, checks, cells, d)]))
  return {
    slope: { estimate: q(0.5), low: q(0.05), high: q(0.95) },
    shadowDb,
    linkDb,
    callDb,
    shadowKm,
    marks: fit.marks,
    reports: fit.reports,
    points,
    outBack: outBackOf(input, fit),
    through: input.links
      .filter((l) => l.base.kind === 'relay')
      .flatMap((l) => {
        const [inNeeded, outNeeded] = [needed.get('to base'), needed.get('from base')]
        if (!inNeeded || !outNeeded) return []
        const way = {
          inGroup: groupOf(l.id, 'to base'),
          outGroup: groupOf(l.id, 'from base'),
          inNeeded,
          outNeeded,
        }
        const reaches = chances.flatMap((c) => reachThroughRelay(fit, way, c) ?? [])
        return reaches.length > 0 ? [{ linkId: l.id, reaches }] : []
      }),
    groups: input.links.flatMap((link) =>
      input.directions.flatMap((direction): LevelGroup[] => {
        const group = groupOf(link.id, direction)
        if (!fit.groups.includes(group)) return []
        const need = needed.get(direction) ?? null
        const reaches = need ? chances.map((c) => reachFromLevels(fit, group, need, c)) : []
        return [
          {
            linkId: link.id,
            direction,
            line: levelLine(fit, group, at),
            needed: need,
            reaches: reaches.filter((r) => r !== null),
          },
        ]
      }),
    ),
  }
}
