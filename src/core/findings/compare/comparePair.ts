import { groupedBy } from '@/core/groupedBy'
import { listenerOf, sumDb, type Direction, type KnownDifference, type Link } from '@/core/kit/rig/rig'
import { isInDb, stepWidthDb } from '@/core/reports/toCell'
import { hodgesLehmann } from '@/core/stats/exact/hodgesLehmann'
import type { Interval } from '@/core/stats/interval'
import type { CellsById } from '../levels'
import { checksByMark, knownIn, type ChecksByMark, type FindingsInput, type ReadCheck } from '../input'
import { intervalsOf } from '../joint/effects'
import { isOnePlace, roundOf } from '../joint/modelInput'
import { jointDifference, type JointDifference, type JointFit } from '../joint/jointFit'
import { trendOf, type Trend, type TrendFit } from '../joint/trend'
import { middleDifference, pairedCells, pointsOf, type DifferencePoint } from './pairedCells'
import { plainDifference } from './plainDifference'
import { winsAndLosses, type WinsAndLosses } from './wins'

export type Scope = Direction | 'both'

/** Why a check did not enter a difference. */
export interface LeftOut {
  why: string
  checkIds: string[]
}

/** A difference in dB. */
export interface Difference {
  /** Median. */
  estimate: number
  interval90: Interval<number>
  interval95: Interval<number>
  chanceAIsBetter: number
  /** Of the difference from mark to mark, dB. */
  spread: number
  /** Ids of marks that say something, and of those that say nothing since neither was heard. */
  marksUsed: string[]
  marksSilent: string[]
}

/** What the joint model says beyond a difference in dB. */
interface JointAnswer {
  /** The chance that A is better, known terms taken out. */
  aBetter: number
  /** The chance that A reaches farther with the powers that were used. */
  aFarther: number
  /** The difference in steps of the listeners' list, where nothing was read in dB. */
  steps: { estimate: number; low: number; high: number } | null
  /** A is heard so many times as far as B, known terms taken out; where the difference has no size of its own. */
  times: { estimate: number; low: number; high: number } | null
  /** Marks, or rounds at one place, that say something, and those that say nothing since neither was heard. */
  used: number
  silent: number
  onePlace: boolean
}

/** All that is known of link A against link B in one direction, or both together. */
export interface PairComparison {
  a: string
  b: string
  scope: Scope
  /** Known differences taken out, by direction; A - B, dB. */
  takenOut: { direction: Direction; known: KnownDifference[]; db: number }[]
  /** Null where the scale says nothing in dB, or where raw reports of two directions cannot be put together. */
  raw: Difference | null
  evened: Difference | null
  /** Null where it was not asked, or reports compare or tell rates and nothing else. */
  joint: JointAnswer | null
  /** Marks, or rounds at one place, no model: the mean difference of readings where both are closed, its 90 % interval. */
  plain: { estimate: number; low: number; high: number; marks: number } | null
  /** The nominal step of the meter, dB, where nobody measured it; the difference is told in S-units then. */
  sUnits: { stepDb: number } | null
  wins: WinsAndLosses
  /** For scales whose step is under half the spread. */
  hodgesLehmann: { estimate: number; low: number | null; high: number | null } | null
  /** 90 % interval that allows for stopping when it seemed clear, dB or steps; null where no model says anything. */
  alwaysValid: Interval | null
  /** The chance of so much against nought however often one looks, were there none. */
  alwaysValidP: number | null
  /**
   * How the evened difference changes with lg distance (m); null where too little says so, and for one
   * direction of two.
   */
  trend: Trend | null
  /** What each mark says of the evened difference, in dB; an open end is null. */
  points: DifferencePoint[]
  marksReported: number
  leftOut: LeftOut[]
}

/** A difference in dB as the joint model has it; null where it has none in dB. */
function asDifference(d: JointDifference, which: 'difference' | 'raw'): Difference | null {
  if (d.unit !== 'dB') return null
  const p = d[which]
  return {
    ...intervalsOf(p),
    chanceAIsBetter: p.above,
    spread: d.spreadDb,
    marksUsed: d.used,
    marksSilent: d.silent,
  }
}

function answerOf(d: JointDifference, { input }: JointFit): JointAnswer {
  const { q05: low, q50: estimate, q95: high, above } = d.difference
  return {
    aBetter: above,
    aFarther: d.aFarther,
    steps: d.unit === 'steps' ? { estimate, low, high } : null,
    times: d.lgTimes && {
      estimate: 10 ** d.lgTimes.q50,
      low: 10 ** d.lgTimes.q05,
      high: 10 ** d.lgTimes.q95,
    },
    used: d.used.length,
    silent: d.silent.length,
    onePlace: input.onePlace,
  }
}

/**
 * Compares two links in one direction or in both together, raw and evened.
 * @param joint the log under the joint model, from which the difference is read; null where it tells the model nothing
 * @returns the comparison, once the same log with a slope for each link is there; null where it is not asked, or marks
 * are too few for it
 */
export function comparePair(
  input: FindingsInput,
  checks: readonly ReadCheck[],
  cells: CellsById,
  linkA: Link,
  linkB: Link,
  scope: Scope,
  joint: JointFit | null,
): (trend: TrendFit | null) => PairComparison {
  const directions = scope === 'both' ? input.directions : [scope]
  const scaleOf = (d: Direction) => input.scales[listenerOf(d)]
  const inDb = directions.length > 0 && directions.every((d) => isInDb(scaleOf(d)))
  const takenOut = directions.map((direction) => {
    const known = knownIn(input, linkA, linkB, direction)
    return { direction, known, db: sumDb(known) }
  })
  const known = (d: Direction) => (inDb ? takenOut.find((t) => t.direction === d)!.db : 0)
  const mine = checks.filter(
    (c) => (c.linkId === linkA.id || c.linkId === linkB.id) && directions.includes(c.direction),
  )
  const at = checksByMark(mine)
  const byMark = input.marks.map(({ id }) => at.get(id) ?? [])
  const onePlace = joint ? joint.input.onePlace : isOnePlace(input, checks)
  const byRound = onePlace ? [...groupedBy(mine, roundOf).values()] : null
  const cellsOf = (units: readonly (readonly ReadCheck[])[]) =>
    inDb ? pairedCells(units, cells, linkA.id, linkB.id, directions, known) : []
  const paired = cellsOf(byMark)
  const modelled = joint && jointDifference(input, joint, linkA.id, linkB.id, directions)
  const evened = modelled && asDifference(modelled, 'difference')
  const sameKnown = takenOut.every((t) => Math.abs(t.db - takenOut[0]!.db) < 1e-9)
  const middles = (byRound ? cellsOf(byRound) : paired).flatMap(middleDifference)
  // One direction of two is half of what is known, and its trend nobody asks for.
  const whole = scope === 'both' || input.directions.length === 1
  const [ia, ib] = [input.links.indexOf(linkA), input.links.indexOf(linkB)]
  const listeners = directions.map((d) => input.directions.indexOf(d))
  const width = Math.max(...directions.map((d) => stepWidthDb(scaleOf(d), 6)))
  const fine = evened !== null && width < evened.spread / 2 && middles.length > 0 && middles.length <= 100
  const compared: Omit<PairComparison, 'trend'> = {
    a: linkA.id,
    b: linkB.id,
    scope,
    takenOut: inDb ? takenOut : takenOut.map((t) => ({ ...t, known: [], db: 0 })),
    raw: sameKnown && modelled ? asDifference(modelled, 'raw') : null,
    evened,
    joint: modelled && joint && answerOf(modelled, joint),
    plain: plainDifference(middles),
    sUnits: evened && inSUnits(input, directions),
    wins: winsAndLosses(
      byRound ?? byMark,
      byRound ? 'round' : 'mark',
      inDb ? cells : null,
      linkA.id,
      linkB.id,
      directions,
      known,
    ),
    hodgesLehmann: fine ? hodgesLehmann(middles) : null,
    alwaysValid: modelled && modelled.alwaysValid,
    alwaysValidP: modelled && modelled.alwaysValidP,
    points: pointsOf(input, paired),
    marksReported: [...at.values()].filter((here) => reportedBoth(here, linkA.id, linkB.id, directions))
      .length,
    leftOut: leftOut(mine, at, usableIn(joint), modelled?.silent ?? [], linkA.id, linkB.id, directions),
  }
  return (trend) => ({
    ...compared,
    trend: trend && modelled && whole ? trendOf(input, trend, ia, ib, listeners, modelled.used) : null,
  })
}

function inSUnits(input: FindingsInput, directions: readonly Direction[]): { stepDb: number } | null {
  const scales = directions.map((x) => input.scales[listenerOf(x)])
  const steps = scales.map((s) =>
    (s.kind === 'readability-strength' || s.kind === 'strength') && !s.strength.calibrated
      ? s.strength.stepDb
      : 0,
  )
  // A step of nought marks a display or a measured meter: dB are dB there.
  const step = steps[0]
  if (!step || steps.some((s) => s !== step)) return null
  return { stepDb: step }
}

function reportedBoth(atMark: readonly ReadCheck[], a: string, b: string, ds: readonly Direction[]) {
  return ds.some((d) => {
    const here = atMark.filter((c) => c.direction === d)
    return here.some((c) => c.linkId === a) && here.some((c) => c.linkId === b)
  })
}

/** Whether a check tells anything: to the model, or, where there is none, as a win or a loss. */
function usableIn(joint: JointFit | null): (c: ReadCheck) => boolean {
  const unused = new Set(joint?.input.unused)
  return ({ id, reading }) => !unused.has(id) && (reading.state === 'heard' || reading.state === 'not heard')
}

function leftOut(
  checks: readonly ReadCheck[],
  at: ChecksByMark,
  usable: (c: ReadCheck) => boolean,
  silentMarks: readonly string[],
  a: string,
  b: string,
  directions: readonly Direction[],
): LeftOut[] {
  const reasons = new Map<string, string[]>()
  const add = (why: string, id: string) => {
    const ids = reasons.get(why)
    if (ids) ids.push(id)
    else reasons.set(why, [id])
  }
  const silent = new Set(silentMarks)
  for (const c of checks) {
    const other = c.linkId === a ? b : a
    if (c.reading.state === 'not read') add('the report could not be read', c.id)
    else if (c.reading.state === 'not graded') add('sent and not yet graded', c.id)
    else if (!usable(c)) add('says nothing that the scale knows', c.id)
    else if (silent.has(c.markId)) add('neither was heard there', c.id)
    else if (
      directions.every(
        (d) =>
          d !== c.direction ||
          !at.get(c.markId)!.some((x) => x.direction === d && x.linkId === other && usable(x)),
      )
    )
      add('the other link has no usable report there', c.id)
  }
  return [...reasons.entries()].map(([why, checkIds]) => ({ why, checkIds }))
}
