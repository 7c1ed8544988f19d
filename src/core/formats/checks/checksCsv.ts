import type { Direction } from '@/core/kit/rig/rig'
import type { CsvTable } from '../csvTable'
import { type Problem, problem } from '@/core/outcome'
import { directionOf } from './checkDirection'
import { checkTime, slashOrder } from './checkTime'
import { DISTANCE_UNITS, unitOfHeading, type DistanceUnit } from './distanceUnits'
import { figureOf } from './figureText'

/** What a column of a checks file can be. */
export const CHECK_COLUMNS = [
  'time',
  'mark',
  'lat',
  'lon',
  'distance',
  'rig',
  'base',
  'direction',
  'report',
  'calls',
  'note',
] as const
export type CheckColumn = (typeof CHECK_COLUMNS)[number]

/** Which column of the file holds what: an index into the heading, or null for none. */
export type ColumnMatch = Record<CheckColumn, number | null>

export const COLUMN_NAMES: Record<CheckColumn, string> = {
  time: 'Time (UTC)',
  mark: 'Mark',
  lat: 'Latitude',
  lon: 'Longitude',
  distance: 'Distance',
  rig: 'Rig out there',
  base: 'Base, where there are several',
  direction: 'Direction',
  report: 'Report',
  calls: 'Calls it took',
  note: 'Remark',
}

/** Without these nothing can be read. */
export const NEEDED: CheckColumn[] = ['mark', 'rig', 'direction', 'report']

const SYNONYMS: Record<CheckColumn, RegExp> = {
  time: /^(time|date|when|utc|timestamp)/,
  mark: /^(mark|stop|place|point|waypoint|wpt|site|location|station)/,
  lat: /^lat/,
  lon: /^(lon|lng)/,
  distance: /^(dist|range|km\b|miles?\b|met(re|er)s?\b|how far)/,
  rig: /^(rig|set-?up|antenna|aerial|radio|configuration)/,
  base: /^(base|hub|relay)\b/,
  direction: /^(dir|way|path)/,
  report: /^(report|heard|signal|grade|reading)/,
  calls: /^(tries|calls|attempts|try)/,
  note: /^(note|remark|comment)/,
}

/** Guesses from the headings which column is what. The user can change every one. */
export function guessColumns(heading: readonly string[]): ColumnMatch {
  const taken = new Set<number>()
  const match = {} as ColumnMatch
  for (const column of CHECK_COLUMNS) {
    const i = heading.findIndex(
      (h, k) => !taken.has(k) && SYNONYMS[column].test(h.toLowerCase().replace(/_/g, ' ')),
    )
    match[column] = i < 0 ? null : i
    if (i >= 0) taken.add(i)
  }
  return match
}

/** The bases that the rows of a file name, in their order, with how many rows each has; empty where none is named. */
export function basesOf(table: CsvTable, match: ColumnMatch): { name: string; rows: number }[] {
  const column = match.base
  if (column === null) return []
  const counts = new Map<string, number>()
  for (const { cells } of table.rows) {
    const name = (cells[column] ?? '').trim()
    if (name !== '') counts.set(name, (counts.get(name) ?? 0) + 1)
  }
  return [...counts].map(([name, rows]) => ({ name, rows }))
}

/** The table with the rows of one base alone; a row that names none belongs to each. */
export function tableOfBase<T extends CsvTable>(table: T, match: ColumnMatch, base: string | null): T {
  const column = match.base
  if (column === null || base === null) return table
  const isOf = (cell: string) => cell === '' || cell === base
  return { ...table, rows: table.rows.filter(({ cells }) => isOf((cells[column] ?? '').trim())) }
}

export interface CheckRow {
  line: number
  time: string | null
  mark: string
  lat: number | null
  lon: number | null
  distanceM: number | null
  rig: string
  direction: Direction
  report: string
  calls: number
  note: string
}

/** Half the way round the earth is far enough for any check, m. */
const MOST_M = 2e7

/** What a file's distances are in by its own heading; null where it has none, or does not say. */
export function unitOfColumn(table: CsvTable, match: ColumnMatch): DistanceUnit | null {
  return match.distance === null ? null : unitOfHeading(table.heading[match.distance] ?? '')
}

/**
 * Reads the rows of a checks file by a column match. Rows that cannot be read are listed with line and reason.
 * @param rigs names that the kit has; null to take whatever the file has
 * @param unit of distances; null where neither the heading nor the user says, and then no distance can be read
 */
export function readCheckRows(
  table: CsvTable,
  match: ColumnMatch,
  rigs: readonly string[] | null,
  unit: DistanceUnit | null = unitOfColumn(table, match),
): { rows: CheckRow[]; problems: Problem[] } {
  const missing = NEEDED.filter((c) => match[c] === null)
  if (missing.length > 0)
    return {
      rows: [],
      problems: missing.map((c) =>
        problem(
          'missing-column',
          'line 1',
          `No column for "${COLUMN_NAMES[c]}" among ${table.heading.map((h) => `"${h}"`).join(', ')}. Choose one, or add it to the file.`,
        ),
      ),
    }
  if (match.distance !== null && unit === null)
    return {
      rows: [],
      problems: [
        problem(
          'distance-unit',
          'line 1',
          `"${table.heading[match.distance]}" does not say what its distances are in. Choose metres, kilometres, miles, yards or feet, or name the column "distance_km".`,
        ),
      ],
    }
  const rows: CheckRow[] = []
  const problems: Problem[] = []
  const commasPart = table.delimiter === ','
  const slashes = match.time === null ? null : slashOrder(table.rows.map((r) => r.cells[match.time!] ?? ''))
  const seen = new Map<string, number>()
  for (const { line, cells } of table.rows) {
    const cell = (c: CheckColumn) => (match[c] === null ? '' : (cells[match[c]!] ?? ''))
    const found: string[] = []
    const timeText = cell('time')
    const read = timeText === '' ? null : checkTime(timeText, slashes)
    if (read && 'why' in read) found.push(read.why)
    const time = read && 'time' in read ? read.time : null
    const rig = cell('rig')
    if (rig === '') found.push('no rig is named')
    else if (rigs && !rigs.includes(rig))
      found.push(`the kit has no rig "${rig}"; it has ${rigs.map((r) => `"${r}"`).join(', ')}`)
    const mark = cell('mark')
    if (mark === '') found.push('no mark is named')
    const direction = directionOf(cell('direction'))
    if (!direction)
      found.push(`"${cell('direction')}" is no direction; "to base", "from base" or "loop" would be`)
    const report = cell('report')
    if (report === '') found.push('the report is empty; "not heard" is a report too')
    const callsText = cell('calls')
    const calls = callsText === '' ? 1 : Number(callsText)
    if (!Number.isInteger(calls) || calls < 1 || calls > 99)
      found.push(`"${callsText}" calls cannot be; a whole number from 1 would be`)
    const number = (c: CheckColumn, most: number, least: number) => {
      const text = cell(c)
      if (text === '') return null
      const value = figureOf(text, commasPart)
      if (!Number.isFinite(value) || value > most || value < least) {
        found.push(`${COLUMN_NAMES[c].toLowerCase()} "${text}" is not between ${least} and ${most}`)
        return null
      }
      return value
    }
    const [lat, lon] = [number('lat', 89, -89), number('lon', 180, -180)]
    const perUnit = DISTANCE_UNITS[unit ?? 'm']
    const distance = number('distance', Math.floor(MOST_M / perUnit), 0)
    const distanceM = distance === null ? null : distance * perUnit
    const key = [mark, rig, direction, time ?? `line ${line}`].join('|')
    const before = seen.get(key)
    if (before !== undefined) found.push(`it repeats line ${before}: the same mark, rig, direction and time`)
    else seen.set(key, line)
    if (found.length > 0) problems.push(problem('row', `line ${line}`, found.join('; ')))
    else
      rows.push({
        line,
        time,
        mark,
        lat,
        lon,
        distanceM,
        rig,
        direction: direction!,
        report,
        calls,
        note: cell('note'),
      })
  }
  return { rows, problems }
}
