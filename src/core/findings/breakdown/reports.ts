import { listenerOf, sumDb } from '@/core/kit/rig/rig'
import { isInDb } from '@/core/reports/toCell'
import type { FactorReport } from '@/core/stats/factorEffects'
import { shiftCell } from '@/core/stats/levelCell'
import { knownIn, type FindingsInput, type ReadCheck } from '../input'
import { everyCall, type CellsById } from '../levels'

/** The design of one check: a number for each effect; null leaves the check out. */
export type DesignOf = (check: ReadCheck) => readonly number[] | null

/** Every call of every check as a report within its mark, evened to the first link, with what was set for it. */
export function factorReports(
  input: FindingsInput,
  checks: readonly ReadCheck[],
  cells: CellsById,
  designOf: DesignOf,
): FactorReport[] {
  const [first] = input.links
  if (!first) return []
  const known = new Map(
    input.links.flatMap((l) =>
      input.directions.map((d) => [`${l.id} ${d}`, sumDb(knownIn(input, l, first, d))]),
    ),
  )
  return checks.flatMap((c) => {
    if (!isInDb(input.scales[listenerOf(c.direction)])) return []
    const x = designOf(c)
    if (!x) return []
    const shift = known.get(`${c.linkId} ${c.direction}`) ?? 0
    return everyCall(cells.get(c.id)).map((cell) => ({
      mark: c.markId,
      block: `${c.direction} ${c.runId ?? ''}`,
      own: c.linkId,
      x,
      cell: shiftCell(cell, shift),
    }))
  })
}
