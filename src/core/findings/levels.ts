import { onceEach, onceWhileHeld } from '@/core/onceEach'
import { listenerOf, type Direction } from '@/core/kit/rig/rig'
import { isInDb, levelCell, silenceCell } from '@/core/reports/toCell'
import type { Reading } from '@/core/reports/reading'
import type { Scale } from '@/core/reports/scale'
import type { HeardOrNot } from '@/core/stats/scales/heardMarks'
import { hearingThreshold } from '@/core/stats/scales/hearingThreshold'
import { heardCell, shiftCell, type LevelCell } from '@/core/stats/scales/levelCell'
import { checksByMark, readChecks, type FindingsInput, type ReadCheck } from './input'

/** What a check says in dB: its last call. */
interface CheckCell extends LevelCell {
  /** Every call of it as a report of its own: one that came through on a retry is one not heard and one heard. */
  calls: readonly LevelCell[]
  /** Heard, with no strength given: above the threshold is all that is known. */
  inWords: boolean
}

/** Cells of every check that says something in dB, by check id. */
export type CellsById = Map<string, CheckCell>

/** dB of an S-unit of a meter whose step nobody measured, where one must be named: the middle of what it may be. */
const UNKNOWN_STEP_DB = 4.5

/** Calls beyond this many tell nothing more. */
export const MAX_MISSES = 4

/** dB of one S-unit of a scale. A display in dB has its own step and needs none. */
function unitStep(scale: Scale): number {
  return scale.kind === 'readability-strength' || scale.kind === 'strength'
    ? (scale.strength.stepDb ?? UNKNOWN_STEP_DB)
    : 1
}

/**
 * Every check as an interval in dB: meter steps with their real edges, "not heard" below the listener's own fitted
 * threshold, the lowest step a listener ever gave open below where no threshold could be found.
 */
export function cellsOf(input: FindingsInput, checks: readonly ReadCheck[]): CellsById {
  const cells: CellsById = new Map()
  // Every run has its own noise, so each listener its own threshold in each.
  for (const run of new Set(checks.map((c) => c.runId)))
    for (const direction of input.directions)
      addDirection(
        cells,
        input,
        direction,
        checks.filter((c) => c.direction === direction && c.runId === run),
      )
  return cells
}

/** A log's checks with their cells, for all that reads them; looking for the thresholds takes time. */
export const cellsIn = onceWhileHeld((input: FindingsInput) => {
  const { checks } = readChecks(input)
  return { checks, cells: cellsOf(input, checks) }
})

function addDirection(
  cells: CellsById,
  input: FindingsInput,
  direction: Direction,
  checks: readonly ReadCheck[],
): void {
  const scale = input.scales[listenerOf(direction)]
  if (!isInDb(scale)) return
  const step = unitStep(scale)
  // Equal reports share their reading, and so their cell.
  const cellOf = onceEach((reading: Reading) => levelCell(reading, scale, step))
  const heard = checks.flatMap((c) => {
    const cell = cellOf(c.reading)
    return cell ? [{ check: c, cell }] : []
  })
  if (heard.length === 0) return
  const silent = checks.filter((c) => c.reading.state === 'not heard')
  const missed = checks.filter((c) => c.calls > 1 && c.reading.state === 'heard')
  const lowest = Math.min(...heard.map((h) => h.cell.upper))
  const threshold = hearingThreshold(byMark(input, heard, [...silent, ...missed]))
  const silence = silenceCell(threshold, lowest)
  const inWords = threshold && heardCell(threshold.thresholdDb, threshold.softDb)
  const opened = onceEach((cell: LevelCell) =>
    threshold === null && cell.upper === lowest ? { ...cell, lower: -Infinity } : cell,
  )
  const cellFor = checkCells(silence, inWords)
  const add = (check: ReadCheck, cell: LevelCell) =>
    cells.set(check.id, cellFor(cell)(check.attenuationDb)(Math.min(MAX_MISSES, check.calls - 1)))
  for (const { check, cell } of heard) add(check, opened(cell))
  for (const check of silent) add(check, silence)
  if (!inWords) return
  for (const check of checks) if (check.reading.state === 'heard' && !cells.has(check.id)) add(check, inWords)
}

/**
 * The cell of a check by what its report says, what was put into the path out there, and how many calls went unheard
 * before: known, and taken out like any other known loss. The same three give the same cell.
 */
const checkCells = (silence: LevelCell, inWords: LevelCell | null) =>
  onceEach((cell: LevelCell) =>
    onceEach((attenuationDb: number) =>
      onceEach((misses: number): CheckCell => {
        const evened = shiftCell(cell, -attenuationDb)
        const missed = Array.from({ length: misses }, () => shiftCell(silence, -attenuationDb))
        return { ...evened, calls: [...missed, evened], inWords: cell === inWords }
      }),
    ),
  )

function byMark(
  input: FindingsInput,
  heard: readonly { check: ReadCheck; cell: LevelCell }[],
  silent: readonly ReadCheck[],
): HeardOrNot[][] {
  const link = (id: string) => input.links.findIndex((l) => l.id === id)
  const bounded = new Map(
    heard
      .filter(({ cell }) => Number.isFinite(cell.lower) && Number.isFinite(cell.upper))
      .map((h) => [h.check, h.cell]),
  )
  const [loud, still] = [checksByMark([...bounded.keys()]), checksByMark(silent)]
  return input.marks.map(({ id }) => [
    ...(loud.get(id) ?? []).map((check) => {
      const { lower, upper } = bounded.get(check)!
      return { link: link(check.linkId), heard: true as const, lower, upper }
    }),
    ...(still.get(id) ?? []).map((c) => ({ link: link(c.linkId), heard: false as const })),
  ])
}
