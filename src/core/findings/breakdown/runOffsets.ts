import { cellsOf, everyCall, type CellsById } from '../levels'
import { readChecks, type FindingsInput, type ReadCheck } from '../input'
import { pairedDifference, type Interval } from '@/core/stats/pairedDifference'
import { comparePair } from '../comparePair'
import { normalCdf } from '@/core/stats/normal'

/** A run against the first: by how much everything was stronger or weaker that day. */
export interface RunOffset {
  runId: string
  /** dB against the first run; null where too few of the same checks were made in both. */
  offsetDb: number | null
  interval90: Interval
  marks: number
  /** What carried it: the control link, or whatever was checked in both. */
  by: 'the control link' | 'all links of both runs'
}

/** A run in which a difference came out surely otherwise than in the other runs. */
export interface RunApart {
  runId: string
  a: string
  b: string
  /** A - B there and in the others, dB. */
  there: number
  elsewhere: number
  p: number
}

/** Each run after the first against it, at the marks they share, link by link and direction by direction. */
export function runOffsets(
  input: FindingsInput,
  checks: readonly ReadCheck[],
  cells: CellsById,
): RunOffset[] {
  const [first, ...rest] = input.runs
  if (!first) return []
  return rest.map(({ id }) => {
    const differ = (list: readonly ReadCheck[]) =>
      pairedDifference(
        input.marks.map((m) => ({
          id: m.id,
          groups: input.links.flatMap((l) =>
            input.directions.map((d) => {
              const of = (run: string) =>
                list
                  .filter(
                    (c) => c.runId === run && c.markId === m.id && c.linkId === l.id && c.direction === d,
                  )
                  .flatMap((c) => everyCall(cells.get(c.id)))
              return { a: of(id), b: of(first.id) }
            }),
          ),
        })),
      )
    const control = differ(checks.filter((c) => c.linkId === input.controlLinkId))
    const byControl = control.estimate !== null
    const found = byControl ? control : differ(checks)
    return {
      runId: id,
      offsetDb: found.estimate,
      interval90: found.interval90,
      marks: found.marksUsed.length,
      by: byControl ? ('the control link' as const) : ('all links of both runs' as const),
    }
  })
}

/** Every pair of links in every run against the other runs together, adjusted over all of them (Bonferroni). */
export function runsApart(input: FindingsInput): RunApart[] {
  if (input.runs.length < 2) return []
  const scope = input.directions.length > 1 ? 'both' : input.directions[0]!
  const only = (keep: (run: string) => boolean) => {
    const part = { ...input, checks: input.checks.filter((c) => keep(c.runId ?? '')) }
    const { checks } = readChecks(part)
    return { part, checks, cells: cellsOf(part, checks) }
  }
  const pairs = input.links.flatMap((a, i) => input.links.slice(i + 1).map((b) => [a, b] as const))
  const looks = pairs.length * input.runs.length
  return input.runs.flatMap(({ id }) => {
    const [here, others] = [only((r) => r === id), only((r) => r !== id)]
    return pairs.flatMap(([a, b]) => {
      const [x, y] = [here, others].map(
        ({ part, checks, cells }) => comparePair(part, checks, cells, a, b, scope).evened,
      )
      const width = (i: Interval) => (i.low === null || i.high === null ? null : (i.high - i.low) / 3.29)
      const [sx, sy] = [x && width(x.interval90), y && width(y.interval90)]
      if (!x || !y || x.estimate === null || y.estimate === null || !sx || !sy) return []
      const z = Math.abs(x.estimate - y.estimate) / Math.hypot(sx, sy)
      const p = 2 * (1 - normalCdf(z)) * looks
      return p < 0.05 ? [{ runId: id, a: a.id, b: b.id, there: x.estimate, elsewhere: y.estimate, p }] : []
    })
  })
}
