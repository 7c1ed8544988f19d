import { lazyTable, type LazyTable } from './lazyTable'
import type { LevelCell } from './levelCell'
import { quickNormalCdf as normalCdf } from './quickNormalCdf'
import { pairLikelihood } from './pairLikelihood'

/** The reports of two links from one mark in one direction, repeats included. */
export interface ReportGroup {
  a: readonly LevelCell[]
  b: readonly LevelCell[]
}

/** Multiplies chances by that of a report at levels that go up by `stepDb`. */
function multiplyBy(
  chances: Float64Array,
  from: number,
  to: number,
  cell: LevelCell,
  sd: number,
  startDb: number,
  stepDb: number,
): void {
  const softSd = cell.softDb === 0 ? sd : Math.sqrt(sd * sd + cell.softDb * cell.softDb)
  const bounded = Number.isFinite(cell.upper)
  const lowSd = bounded ? sd : softSd
  const closed = Number.isFinite(cell.lower)
  for (let j = from; j < to; j++) {
    const level = startDb + j * stepDb
    const high = bounded ? normalCdf((cell.upper - level) / softSd) : 1
    const low = closed ? normalCdf((cell.lower - level) / lowSd) : 0
    chances[j]! *= Math.max(high - low, 0)
  }
}

/** Levels outside of which a link's reports have no chance worth counting. */
function windowOf(cells: readonly LevelCell[], sd: number): [number, number] {
  let [lowest, highest] = [-Infinity, Infinity]
  for (const c of cells) {
    const far = 8 * Math.hypot(sd, c.softDb)
    lowest = Math.max(lowest, c.lower - far)
    highest = Math.min(highest, c.upper + far)
  }
  return [lowest, highest]
}

/** The chance of all of a link's reports at levels that go up by `stepDb`, and where it is worth counting: from..to. */
function chancesOf(cells: readonly LevelCell[], sd: number, startDb: number, stepDb: number, n: number) {
  const chances = new Float64Array(n)
  const [lowest, highest] = windowOf(cells, sd)
  let from = Math.max(0, Math.ceil((lowest - startDb) / stepDb))
  let to = Math.min(n, Math.floor((highest - startDb) / stepDb) + 1)
  chances.fill(1, from, Math.max(from, to))
  for (const cell of cells) multiplyBy(chances, from, to, cell, sd, startDb, stepDb)
  while (from < to && chances[from]! < 1e-14) from++
  while (to > from && chances[to - 1]! < 1e-14) to--
  return { chances, from, to }
}

function finiteEdges(cells: readonly LevelCell[]): number[] {
  return cells.flatMap((c) => [c.lower, c.upper]).filter(Number.isFinite)
}

/**
 * Likelihood of a group as a function of the difference at this mark (link and mark effects together),
 * the mark's level s integrated out by the trapezoid rule, each report with its own error σe.
 * @param group reports of both links
 * @param spreadDb σe, dB, above nought
 * @param fromDb first difference wanted, dB
 * @param toDb last difference wanted, dB
 * @returns worked out where it is read
 */
export function tableGroupLikelihood(
  group: ReportGroup,
  spreadDb: number,
  fromDb: number,
  toDb: number,
): LazyTable {
  const stepDb = Math.min(1.5, Math.max(0.25, spreadDb / 3))
  const n = Math.ceil((toDb - fromDb) / stepDb) + 1
  const [a0, b0] = [group.a[0], group.b[0]]
  if (group.a.length === 1 && group.b.length === 1 && a0 && b0)
    return lazyTable(fromDb, stepDb, n, (values, from, to) => {
      for (let i = from; i < to; i++)
        values[i] = pairLikelihood(a0, b0, fromDb + i * stepDb, Math.SQRT2 * spreadDb)
    })
  const edges = [...finiteEdges(group.a), ...finiteEdges(group.b)]
  const soft = Math.max(...[...group.a, ...group.b].map((c) => c.softDb))
  const margin = 6 * Math.hypot(spreadDb, soft)
  // Levels that B's reports rule out are not gone through, where they rule out both ends.
  const [low, high] = windowOf(group.b, spreadDb)
  const bounded = Number.isFinite(low) && Number.isFinite(high)
  const first = bounded ? low : Math.min(...edges) - margin - Math.max(0, toDb)
  const last = bounded ? high : Math.max(...edges) + margin - Math.min(0, fromDb)
  const levels = Math.max(1, Math.ceil((last - first) / stepDb) + 1)
  // A's chances are read at s + δ for every δ wanted, so its table is longer.
  const ofB = chancesOf(group.b, spreadDb, first, stepDb, levels)
  const ofA = chancesOf(group.a, spreadDb, first + fromDb, stepDb, levels + n)
  // Differences are read between steps, so these are fine; over levels the trapezoid rule is exact with far
  // longer ones.
  const stride = Math.max(1, Math.floor(spreadDb / 1.5 / stepDb))
  return lazyTable(fromDb, stepDb, n, (values, start, end) => {
    for (let i = start; i < end; i++) {
      const from = Math.max(ofB.from, ofA.from - i)
      const to = Math.min(ofB.to, ofA.to - i)
      let sum = 0
      for (let j = from; j < to; j += stride) sum += ofB.chances[j]! * ofA.chances[i + j]!
      values[i] = Math.max(sum * stride * stepDb, 1e-300)
    }
  })
}
