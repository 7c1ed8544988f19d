import type { TurnReading } from '@/core/bench'
import { readTyped } from '@/core/bench/turn'
import { bad, good, problem, type Outcome, type Problem } from '@/core/outcome'
import { readCsvTable, writeCsv } from './csvTable'

const MOST = 5000
const MOST_SAID = 5

/** Readings of a turn from a table: a column of angles, and one of levels or more. */
export function readTurnTable(text: string): Outcome<TurnReading[]> {
  const table = readCsvTable(text)
  if (!table.ok) return table
  const { heading, rows } = table.value
  const angle = heading.findIndex((h) => /angle|deg|azimuth|°/i.test(h))
  if (angle < 0)
    return bad(
      problem(
        'no-angle',
        'line 1',
        `No column is called angle or degrees: "${heading.join(', ').slice(0, 80)}".`,
      ),
    )
  const said: Problem[] = []
  const readings = rows.flatMap(({ line, cells }) => {
    const angleDeg = Number((cells[angle] ?? '').replace(',', '.').replace('°', ''))
    if ((cells[angle] ?? '') === '' || !Number.isFinite(angleDeg)) {
      said.push(problem('angle', `line ${line}`, `Line ${line}: "${cells[angle] ?? ''}" is no angle.`))
      return []
    }
    return cells.flatMap((cell, i) => {
      if (i === angle || cell === '') return []
      const level = readTyped(cell)
      if (level) return [{ angleDeg, ...level }]
      said.push(
        problem(
          'level',
          `line ${line}`,
          `Line ${line}: "${cell.slice(0, 20)}" is no level; -63 or <-120 would be.`,
        ),
      )
      return []
    })
  })
  if (said.length > 0) return bad(...said.slice(0, MOST_SAID))
  if (readings.length > MOST) return bad(problem('too-many', 'file', `At most ${MOST} readings are read.`))
  return good(readings)
}

/** Readings of a turn as a table; at the floor with a sign before. */
export const writeTurnTable = (readings: readonly TurnReading[]): string =>
  writeCsv(
    ['angle_deg', 'level_db'],
    readings.map((r) => [r.angleDeg, r.atOrBelow ? `<${r.db}` : r.db]),
  )
