import type { LevelCell } from './levelCell'
import { quickNormalCdf as normalCdf } from './quickNormalCdf'
import { pairLikelihood } from './pairLikelihood'

/** The reports of two links from one mark in one direction, repeats included. */
export interface ReportGroup {
  a: readonly LevelCell[]
  b: readonly LevelCell[]
}

/** Likelihood of a group on an even grid of differences: values[i] belongs to startDb + i * stepDb. */
export interface TabledLikelihood {
  startDb: number
  stepDb: number
  values: Float64Array
}

function chanceOf(cell: LevelCell, level: number, sd: number): number {
  const softSd = cell.softDb === 0 ? sd : Math.sqrt(sd * sd + cell.softDb * cell.softDb)
  const bounded = Number.isFinite(cell.upper)
  const high = bounded ? normalCdf((cell.upper - level) / softSd) : 1
  const low = Number.isFinite(cell.lower) ? normalCdf((cell.lower - level) / (bounded ? sd : softSd)) : 0
  return Math.max(high - low, 0)
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
 */
export function tableGroupLikelihood(
  group: ReportGroup,
  spreadDb: number,
  fromDb: number,
  toDb: number,
): TabledLikelihood {
  const stepDb = Math.min(1.5, Math.max(0.25, spreadDb / 3))
  const n = Math.ceil((toDb - fromDb) / stepDb) + 1
  const values = new Float64Array(n)
  const [a0, b0] = [group.a[0], group.b[0]]
  if (group.a.length === 1 && group.b.length === 1 && a0 && b0) {
    for (let i = 0; i < n; i++) values[i] = pairLikelihood(a0, b0, fromDb + i * stepDb, Math.SQRT2 * spreadDb)
    return { startDb: fromDb, stepDb, values }
  }
  const edges = [...finiteEdges(group.a), ...finiteEdges(group.b)]
  const soft = Math.max(...[...group.a, ...group.b].map((c) => c.softDb))
  const margin = 6 * Math.hypot(spreadDb, soft)
  const first = Math.min(...edges) - margin - Math.max(0, toDb)
  const last = Math.max(...edges) + margin - Math.min(0, fromDb)
  const levels = Math.ceil((last - first) / stepDb) + 1
  const ofB = new Float64Array(levels)
  for (let j = 0; j < levels; j++) {
    let p = 1
    for (const cell of group.b) p *= chanceOf(cell, first + j * stepDb, spreadDb)
    ofB[j] = p
  }
  // A's table is longer: it is read at s + δ for every δ wanted.
  const aStart = first + fromDb
  const ofA = new Float64Array(levels + n)
  for (let j = 0; j < levels + n; j++) {
    let p = 1
    for (const cell of group.a) p *= chanceOf(cell, aStart + j * stepDb, spreadDb)
    ofA[j] = p
  }
  let low = 0
  let high = levels - 1
  while (low < high && ofB[low]! < 1e-14) low++
  while (high > low && ofB[high]! < 1e-14) high--
  for (let i = 0; i < n; i++) {
    let sum = 0
    for (let j = low; j <= high; j++) sum += ofB[j]! * ofA[i + j]!
    values[i] = Math.max(sum * stepDb, 1e-300)
  }
  return { startDb: fromDb, stepDb, values }
}
