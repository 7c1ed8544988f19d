import { everyPair } from '@/core/everyPair'
import { groupedBy } from '@/core/groupedBy'
import { posteriorOf, termDraws } from '@/core/model/answers'
import type { FindingsInput, ReadCheck } from '../input'
import type { JointFit } from '../joint/jointFit'

/** One link was checked before another nearly everywhere, so that whatever drifts may pass for a difference. */
export interface OrderCaution {
  kind: 'order'
  first: string
  second: string
  /** Marks at which it was so, of all where both were checked. */
  marks: number
  of: number
  /** From the one to the other, the mean over marks, h. */
  hours: number
  /** How fast levels may have drifted by the log: nine in ten lie within, dB an hour. */
  driftDb: number
  /** What that could have made of the difference, dB. */
  couldMakeDb: number
}

const MIN_MARKS = 4
const SAME_SIDE = 0.8
const MIN_HOURS = 0.25
const MIN_DB = 0.5

/** How fast levels at any listener may have drifted, dB an hour; null where the log has no times. */
function driftBound({ input, fit }: JointFit, listeners: number): number | null {
  if (!input.drift) return null
  const { first } = input.drift
  return Math.max(
    ...Array.from({ length: listeners }, (_, d) => {
      const { q05, q95 } = posteriorOf(fit, termDraws(fit, first + d))
      return Math.max(Math.abs(q05), Math.abs(q95))
    }),
  )
}

/** Hours of link b after link a at each mark, in each run and direction. */
function hoursAfter(checks: readonly ReadCheck[], a: string, b: string): number[] {
  const meanHour = (list: readonly ReadCheck[]) =>
    list.reduce((s, c) => s + Date.parse(c.time) / 3_600_000, 0) / list.length
  return [...groupedBy(checks, (c) => `${c.runId ?? ''} ${c.markId}`).values()].flatMap((here) => {
    const [x, y] = [a, b].map((id) => here.filter((c) => c.linkId === id)) as [ReadCheck[], ReadCheck[]]
    return x.length > 0 && y.length > 0 ? [meanHour(y) - meanHour(x)] : []
  })
}

/** Pairs of links of which one was checked before the other nearly everywhere, and what that may have done. */
export function orderCautions(
  input: FindingsInput,
  checks: readonly ReadCheck[],
  joint: JointFit,
): OrderCaution[] {
  const driftDb = driftBound(joint, input.directions.length)
  if (driftDb === null) return []
  return everyPair(input.links).flatMap(([a, b]): OrderCaution[] => {
    const after = hoursAfter(checks, a.id, b.id)
    const later = after.filter((h) => h > 0).length
    const marks = Math.max(later, after.length - later)
    const hours = Math.abs(after.reduce((s, h) => s + h, 0) / Math.max(1, after.length))
    const couldMakeDb = hours * driftDb
    if (after.length < MIN_MARKS || marks < SAME_SIDE * after.length) return []
    if (hours < MIN_HOURS || couldMakeDb < MIN_DB) return []
    const [first, second] = 2 * later > after.length ? [a.id, b.id] : [b.id, a.id]
    return [{ kind: 'order', first, second, marks, of: after.length, hours, driftDb, couldMakeDb }]
  })
}
