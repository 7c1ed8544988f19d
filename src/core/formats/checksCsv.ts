import { isValid, parseISO } from 'date-fns'
import type { Direction } from '@/core/kit/rig/rig'
import type { CsvTable } from './csvTable'
import { type Problem, problem } from '@/core/outcome'

/** What a column of a checks file can be. */
export const CHECK_COLUMNS = [
  'time',
  'mark',
  'lat',
  'lon',
  'distance',
  'rig',
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
  distance: 'Distance (m)',
  rig: 'Rig out there',
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
  distance: /^(dist|range)/,
  rig: /^(rig|set-?up|antenna|aerial|radio|configuration)/,
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

const DIRECTIONS: [RegExp, Direction][] = [
  [/^(to base|to|inbound|in|talk-?\s?back)$/, 'to base'],
  [/^(from base|from|outbound|out|talk-?\s?out)$/, 'from base'],
  [/^(loop|there and back|both)$/, 'loop'],
]

const decimal = (text: string) => Number(text.replace(',', '.'))

function readTime(text: string): string | null {
  const date = parseISO(/(z|[+-]\d\d:?\d\d)$/i.test(text) ? text : `${text.replace(' ', 'T')}Z`)
  return isValid(date) ? date.toISOString() : null
}

/**
 * Reads the rows of a checks file by a column match. Rows that cannot be read are listed with line and reason.
 * @param rigs names that the kit has; null to take whatever the file has
 */
export function readCheckRows(
  table: CsvTable,
  match: ColumnMatch,
  rigs: readonly string[] | null,
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
  const rows: CheckRow[] = []
  const problems: Problem[] = []
  const seen = new Map<string, number>()
  for (const { line, cells } of table.rows) {
    const cell = (c: CheckColumn) => (match[c] === null ? '' : (cells[match[c]!] ?? ''))
    const found: string[] = []
    const timeText = cell('time')
    const time = timeText === '' ? null : readTime(timeText)
    if (timeText !== '' && time === null)
      found.push(`"${timeText}" is no time; 2026-05-16T08:10:39Z would be (hours 00 to 23)`)
    const rig = cell('rig')
    if (rig === '') found.push('no rig is named')
    else if (rigs && !rigs.includes(rig))
      found.push(`the kit has no rig "${rig}"; it has ${rigs.map((r) => `"${r}"`).join(', ')}`)
    const mark = cell('mark')
    if (mark === '') found.push('no mark is named')
    const direction = DIRECTIONS.find(([re]) => re.test(cell('direction').toLowerCase()))?.[1]
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
      const value = decimal(text)
      if (!Number.isFinite(value) || value > most || value < least) {
        found.push(`${COLUMN_NAMES[c].toLowerCase()} "${text}" is not between ${least} and ${most}`)
        return null
      }
      return value
    }
    const [lat, lon, distanceM] = [
      number('lat', 89, -89),
      number('lon', 180, -180),
      number('distance', 2e6, 0),
    ]
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
