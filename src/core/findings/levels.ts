import { listenerOf, type Direction } from '@/core/kit/rig'
import { isInDb, levelCell, silenceCell } from '@/core/reports/toCell'
import type { Scale } from '@/core/reports/scale'
import { hearingThreshold, type HeardOrNot } from '@/core/stats/hearingThreshold'
import type { LevelCell } from '@/core/stats/levelCell'
import type { FindingsInput, ReadCheck } from './input'

/** Cells of every check that says something in dB, by check id, for one reading of the meters' steps. */
export type CellsById = Map<string, LevelCell>

/** Steps by which a meter of unknown step is read, integrated over with equal weight. */
const UNKNOWN_STEPS = [3, 3.75, 4.5, 5.25, 6]

/** dB of one S-unit of a scale; null where it is not known. A display in dB has its own step and needs none. */
function unitStep(scale: Scale): number | null {
  return scale.kind === 'readability-strength' || scale.kind === 'strength' ? scale.strength.stepDb : 1
}

/**
 * Every check as an interval in dB: meter steps with their real edges, "not heard" below the listener's own fitted
 * threshold, the lowest step a listener ever gave open below where no threshold could be found.
 * @returns one set of cells for each value that an unknown step may take
 */
export function cellsOf(input: FindingsInput, checks: readonly ReadCheck[]): CellsById[] {
  const used = input.directions.map((d) => input.scales[listenerOf(d)]).filter(isInDb)
  const unknown = used.some((s) => unitStep(s) === null)
  return (unknown ? UNKNOWN_STEPS : [null]).map((step) => {
    const cells: CellsById = new Map()
    for (const direction of input.directions)
      addDirection(
        cells,
        input,
        direction,
        checks.filter((c) => c.direction === direction),
        step,
      )
    return cells
  })
}

function addDirection(
  cells: CellsById,
  input: FindingsInput,
  direction: Direction,
  checks: readonly ReadCheck[],
  unknownStep: number | null,
): void {
  const scale = input.scales[listenerOf(direction)]
  if (!isInDb(scale)) return
  const step = unitStep(scale) ?? unknownStep!
  const heard = checks.flatMap((c) => {
    const cell = levelCell(c.reading, scale, step)
    return cell ? [{ check: c, cell }] : []
  })
  if (heard.length === 0) return
  const silent = checks.filter((c) => c.reading.state === 'not heard')
  const lowest = Math.min(...heard.map((h) => h.cell.upper))
  const threshold = hearingThreshold(byMark(input, heard, silent))
  for (const { check, cell } of heard)
    cells.set(check.id, threshold === null && cell.upper === lowest ? { ...cell, lower: -Infinity } : cell)
  for (const check of silent) cells.set(check.id, silenceCell(threshold, lowest))
}

function byMark(
  input: FindingsInput,
  heard: readonly { check: ReadCheck; cell: LevelCell }[],
  silent: readonly ReadCheck[],
): HeardOrNot[][] {
  const link = (id: string) => input.links.findIndex((l) => l.id === id)
  return input.marks.map((mark) => [
    ...heard
      .filter(
        ({ check, cell }) =>
          check.markId === mark.id && Number.isFinite(cell.lower) && Number.isFinite(cell.upper),
      )
      .map(({ check, cell }) => ({
        link: link(check.linkId),
        heard: true as const,
        lower: cell.lower,
        upper: cell.upper,
      })),
    ...silent
      .filter((c) => c.markId === mark.id)
      .map((c) => ({ link: link(c.linkId), heard: false as const })),
  ])
}
