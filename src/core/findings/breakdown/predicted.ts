import { linkKey } from '@/core/reach/linkKey'
import { expectedAt, type PlanGround } from '@/core/reach/planGround'
import { cellMiddle } from '@/core/stats/scales/levelCell'
import { intervalRegression } from '@/core/stats/scales/intervalRegression'
import { sortedQuantile } from '@/core/stats/numeric/sortedQuantile'
import { uniformRandom } from '@/core/stats/numeric/uniformRandom'
import { listenerOf, type Direction } from '@/core/kit/rig/rig'
import { isCopiedBy, type FindingsInput, type ReadCheck } from '../input'
import type { CellsById } from '../levels'

/** One check beside what was expected of it. */
interface BesideExpected {
  checkId: string
  markId: string
  linkId: string
  direction: Direction
  /** dBm at the receiver. */
  expected: number
  low: number | null
  high: number | null
}

export interface AgainstPrediction {
  points: BesideExpected[]
  /** Of a meter whose S9 is taken at the recommended level, or of a display in dBm. */
  absolute: 'display' | 'nominal S9'
  /** Mean of reported less expected by direction, dB, its interval by resampling marks. */
  offsets: { direction: Direction; db: number; low: number; high: number }[]
  /** dB reported for one dB expected. */
  slope: { estimate: number; low: number; high: number }
  /** Scatter about it, dB. */
  spreadDb: number
  /** Marks that came out far off on the whole, dB. */
  marksOff: { markId: string; db: number }[]
  copies: { expected: number; seen: number; checks: number }
  marks: number
}

const RESAMPLES = 200
/** A mark is called far off beyond this many spreads of marks. */
const FAR_OFF = 2

/** S9 at the connector by the IARU Region 1 recommendation, dBm. */
const s9Dbm = (mhz: number) => (mhz < 30 ? -73 : -93)

/**
 * Reports held against the prediction: the slope of one on the other, and how far each direction lies off on
 * the whole, from reports as intervals; intervals by resampling whole marks (bootstrap, seeded), since the
 * reports of a mark share its ground.
 * @returns null below eight marks whose level was predicted and reported in dB
 */
export function againstPrediction(
  input: FindingsInput,
  checks: readonly ReadCheck[],
  cells: CellsById,
  ground: PlanGround,
): AgainstPrediction | null {
  const expected = expectedAt(ground.expected)
  const links = new Map(input.links.map((l) => [l.id, l]))
  const of = (c: ReadCheck) => {
    const link = links.get(c.linkId)
    return link && expected(c.markId, linkKey(link), c.direction)
  }
  const isDisplay = (d: Direction) => input.scales[listenerOf(d)].kind === 'level'
  const rows = checks.flatMap((c) => {
    const [e, cell] = [of(c), cells.get(c.id)]
    if (!e || !cell || cell.inWords) return []
    const shift = isDisplay(c.direction) ? 0 : s9Dbm(links.get(c.linkId)!.out.txMHz)
    return [{ check: c, expected: e.levelDbm, lower: cell.lower + shift, upper: cell.upper + shift }]
  })
  const marks = [...new Set(rows.map((r) => r.check.markId))]
  const directions = input.directions.filter((d) => rows.some((r) => r.check.direction === d))
  if (marks.length < 8 || directions.length === 0) return null
  const middle = rows.reduce((s, r) => s + r.expected, 0) / rows.length
  const fit = (list: typeof rows) =>
    intervalRegression(
      list.map((r) => ({
        x: [...directions.map((d) => (r.check.direction === d ? 1 : 0)), r.expected - middle],
        lower: r.lower,
        upper: r.upper,
      })),
    )
  const whole = fit(rows)
  if (!whole) return null
  const random = uniformRandom(11)
  const byMark = new Map(marks.map((m) => [m, rows.filter((r) => r.check.markId === m)]))
  const drawn: number[][] = []
  for (let i = 0; i < RESAMPLES; i++) {
    const again = fit(marks.flatMap(() => byMark.get(marks[random.below(marks.length)]!)!))
    if (again && again.coefficients.every(Number.isFinite)) drawn.push(again.coefficients)
  }
  const range = (j: number, less = 0) => {
    const sorted = drawn.map((d) => d[j]! - less).sort((a, b) => a - b)
    return { low: sortedQuantile(sorted, 0.05), high: sortedQuantile(sorted, 0.95) }
  }
  const k = directions.length
  const residual = (r: (typeof rows)[number]) => {
    const cellMid = cellMiddle({ lower: r.lower, upper: r.upper, softDb: 0, notHeard: false })
    if (cellMid === null) return null
    const d = directions.indexOf(r.check.direction)
    return cellMid - whole.coefficients[d]! - whole.coefficients[k]! * (r.expected - middle)
  }
  const means = marks.flatMap((m) => {
    const all = byMark.get(m)!.flatMap((r) => residual(r) ?? [])
    return all.length >= 2 ? [{ markId: m, db: all.reduce((s, v) => s + v, 0) / all.length }] : []
  })
  const spread = Math.sqrt(means.reduce((s, m) => s + m.db * m.db, 0) / Math.max(1, means.length))
  const judged = checks.flatMap((c) => {
    const [e, copied] = [of(c), isCopiedBy(input, c)]
    return e && copied !== null ? [{ chance: e.chance, copied }] : []
  })
  const finite = (v: number) => (Number.isFinite(v) ? v : null)
  return {
    points: rows.map(({ check: { id, markId, linkId, direction }, expected: level, lower, upper }) => ({
      checkId: id,
      markId,
      linkId,
      direction,
      expected: level,
      low: finite(lower),
      high: finite(upper),
    })),
    absolute: directions.every(isDisplay) ? 'display' : 'nominal S9',
    offsets: directions.map((direction, j) => ({
      direction,
      db: whole.coefficients[j]! - middle,
      ...range(j, middle),
    })),
    slope: { estimate: whole.coefficients[k]!, ...range(k) },
    spreadDb: whole.sd,
    marksOff: means
      .filter((m) => Math.abs(m.db) > FAR_OFF * spread && Math.abs(m.db) > 6)
      .sort((a, b) => a.db - b.db),
    copies: {
      expected: judged.reduce((s, j) => s + j.chance, 0),
      seen: judged.filter((j) => j.copied).length,
      checks: judged.length,
    },
    marks: marks.length,
  }
}
