import type { CsvTable } from '../csvTable'
import { directionOf } from './checkDirection'

interface WideColumn {
  index: number
  rig: string
  direction: string
}

const WAY =
  /[\s,;:|/(_-]+(to base|from base|to|from|inbound|outbound|in|out|talk-?\s?back|talk-?\s?out|loop)\)?$/i

/** Columns that hold the reports of one rig in one direction: "Long whip to base", "Stub (out)". */
function wideColumns(heading: readonly string[]): WideColumn[] {
  return heading.flatMap((name, index) => {
    const plain = name.replace(/_/g, ' ').trim()
    const way = WAY.exec(plain)
    const rig = way && plain.slice(0, way.index).trim()
    const direction = way && directionOf(way[1]!)
    return rig && direction ? [{ index, rig, direction }] : []
  })
}

/** Fewer such columns than this may be a heading that happens to sound so. */
const MIN_COLUMNS = 2

/**
 * Turns a table with one line a stop and a column for each rig and direction into one with a line a check. An empty
 * cell is a check that was not made. The columns "rig", "direction" and "report" are added at the end.
 * @returns null where the table is none of that kind
 */
export function unfolded(table: CsvTable): CsvTable | null {
  const wide = wideColumns(table.heading)
  if (wide.length < MIN_COLUMNS) return null
  const kept = table.heading.flatMap((_, i) => (wide.some((w) => w.index === i) ? [] : [i]))
  return {
    ...table,
    heading: [...kept.map((i) => table.heading[i]!), 'rig', 'direction', 'report'],
    rows: table.rows.flatMap(({ line, cells }) =>
      wide
        .filter((w) => (cells[w.index] ?? '') !== '')
        .map((w) => ({
          line,
          cells: [...kept.map((i) => cells[i] ?? ''), w.rig, w.direction, cells[w.index]!],
        })),
    ),
  }
}
