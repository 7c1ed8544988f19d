import {
  knownDifferences,
  listenerOf,
  sumDb,
  type Direction,
  type KnownDifference,
  type Link,
} from '@/core/kit/rig'
import { isInDb, stepWidthDb } from '@/core/reports/toCell'
import { alwaysValidInterval } from '@/core/stats/alwaysValid'
import { hodgesLehmann } from '@/core/stats/hodgesLehmann'
import { cellMiddle, shiftCell } from '@/core/stats/levelCell'
import { mixDifferences } from '@/core/stats/mixture'
import {
  pairedDifference,
  shiftDifference,
  type Interval,
  type PairedDifference,
  type PairedMark,
} from '@/core/stats/pairedDifference'
import type { CellsById } from './levels'
import type { FindingsInput, ReadCheck } from './input'
import { winsAndLosses, type WinsAndLosses } from './wins'

export type Scope = Direction | 'both'

/** Why a check did not enter a difference. */
export interface LeftOut {
  why: string
  checkIds: string[]
}

/** A difference in dB without the drawing of its posterior. */
export type Difference = Omit<PairedDifference, 'grid'>

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
  /** The evened difference in S-units, where the meter's step was not measured. */
  sUnits: { estimate: number | null; low: number | null; high: number | null } | null
  wins: WinsAndLosses
  /** For scales whose step is under half the spread. */
  hodgesLehmann: { estimate: number; low: number | null; high: number | null } | null
  /** 90 % interval that allows for stopping when it seemed clear. */
  alwaysValid: Interval
  marksReported: number
  leftOut: LeftOut[]
}

const withoutGrid = ({ grid: _grid, ...rest }: PairedDifference): Difference => rest

/** Compares two links in one direction or in both together, raw and evened. */
export function comparePair(
  input: FindingsInput,
  checks: readonly ReadCheck[],
  cellSets: readonly CellsById[],
  linkA: Link,
  linkB: Link,
  scope: Scope,
): PairComparison {
  const directions = scope === 'both' ? input.directions : [scope]
  const scaleOf = (d: Direction) => input.scales[listenerOf(d)]
  const inDb = directions.length > 0 && directions.every((d) => isInDb(scaleOf(d)))
  const takenOut = directions.map((direction) => {
    const known = knownDifferences(linkA, linkB, direction)
    return { direction, known, db: sumDb(known) }
  })
  const known = (d: Direction) => (inDb ? takenOut.find((t) => t.direction === d)!.db : 0)
  const mine = checks.filter(
    (c) => (c.linkId === linkA.id || c.linkId === linkB.id) && directions.includes(c.direction),
  )
  const marksOf = (cells: CellsById): PairedMark[] =>
    input.marks.map((mark) => ({
      id: mark.id,
      groups: directions.map((d) => {
        const of = (link: string, shift: number) =>
          mine
            .filter((c) => c.markId === mark.id && c.direction === d && c.linkId === link)
            .flatMap((c) => (cells.has(c.id) ? [shiftCell(cells.get(c.id)!, shift)] : []))
        return { a: of(linkA.id, known(d)), b: of(linkB.id, 0) }
      }),
    }))

  const perStep = inDb ? cellSets.map((cells) => marksOf(cells)) : []
  const evened = inDb ? mixDifferences(perStep.map(pairedDifference)) : null
  const sameKnown = takenOut.every((t) => Math.abs(t.db - takenOut[0]!.db) < 1e-9)
  const nominal = perStep[Math.floor(perStep.length / 2)] ?? []
  const middles = nominal.flatMap(middleDifference)
  const width = Math.max(...directions.map((d) => stepWidthDb(scaleOf(d), 6)))
  const fine =
    evened?.spread != null && width < evened.spread / 2 && middles.length > 0 && middles.length <= 100
  return {
    a: linkA.id,
    b: linkB.id,
    scope,
    takenOut: inDb ? takenOut : takenOut.map((t) => ({ ...t, known: [], db: 0 })),
    raw: evened && sameKnown ? withoutGrid(shiftDifference(evened, -takenOut[0]!.db)) : null,
    evened: evened && withoutGrid(evened),
    sUnits: evened && inSUnits(input, directions, evened),
    wins: winsAndLosses(
      input,
      mine,
      inDb ? cellSets[Math.floor(cellSets.length / 2)]! : null,
      linkA.id,
      linkB.id,
      directions,
      known,
    ),
    hodgesLehmann: fine ? hodgesLehmann(middles) : null,
    alwaysValid: alwaysValidInterval(middles),
    marksReported: input.marks.filter((m) => reportedBoth(mine, m.id, linkA.id, linkB.id, directions)).length,
    leftOut: leftOut(input, mine, inDb ? cellSets[0]! : null, evened, linkA.id, linkB.id, directions),
  }
}

/** Mean difference of the middles at one mark, where both are bounded. */
function middleDifference(mark: PairedMark): number[] {
  const differences = mark.groups.flatMap(({ a, b }) => {
    const mean = (cells: typeof a) => {
      const middles = cells.map(cellMiddle)
      return middles.length > 0 && middles.every((m) => m !== null)
        ? middles.reduce<number>((s, m) => s + m!, 0) / middles.length
        : null
    }
    const [ma, mb] = [mean(a), mean(b)]
    return ma === null || mb === null ? [] : [ma - mb]
  })
  return differences.length > 0 ? [differences.reduce((s, v) => s + v, 0) / differences.length] : []
}

function inSUnits(input: FindingsInput, directions: readonly Direction[], d: PairedDifference) {
  const scales = directions.map((x) => input.scales[listenerOf(x)])
  const steps = scales.map((s) =>
    (s.kind === 'readability-strength' || s.kind === 'strength') && !s.strength.calibrated
      ? s.strength.stepDb
      : 0,
  )
  // A step of nought marks a display or a measured meter: dB are dB there.
  const step = steps[0]
  if (!step || steps.some((s) => s !== step)) return null
  const by = (v: number | null) => (v === null ? null : v / step)
  return { estimate: by(d.estimate), low: by(d.interval90.low), high: by(d.interval90.high) }
}

function reportedBoth(
  checks: readonly ReadCheck[],
  mark: string,
  a: string,
  b: string,
  ds: readonly Direction[],
) {
  return ds.some((d) => {
    const here = checks.filter((c) => c.markId === mark && c.direction === d)
    return here.some((c) => c.linkId === a) && here.some((c) => c.linkId === b)
  })
}

function leftOut(
  input: FindingsInput,
  checks: readonly ReadCheck[],
  cells: CellsById | null,
  evened: PairedDifference | null,
  a: string,
  b: string,
  directions: readonly Direction[],
): LeftOut[] {
  const reasons = new Map<string, string[]>()
  const add = (why: string, id: string) => reasons.set(why, [...(reasons.get(why) ?? []), id])
  const silent = new Set(evened?.marksSilent ?? [])
  for (const c of checks) {
    const other = c.linkId === a ? b : a
    const usable = (x: ReadCheck) =>
      cells ? cells.has(x.id) : x.reading.state === 'heard' || x.reading.state === 'not heard'
    if (c.reading.state === 'not read') add('the report could not be read', c.id)
    else if (c.reading.state === 'not graded') add('sent and not yet graded', c.id)
    else if (!usable(c)) add('words only, no strength given', c.id)
    else if (silent.has(c.markId)) add('both links beyond the same end of the scale there', c.id)
    else if (
      directions.every(
        (d) =>
          d !== c.direction ||
          !checks.some((x) => x.markId === c.markId && x.direction === d && x.linkId === other && usable(x)),
      )
    )
      add('the other link has no usable report there', c.id)
  }
  return [...reasons.entries()].map(([why, checkIds]) => ({ why, checkIds }))
}
