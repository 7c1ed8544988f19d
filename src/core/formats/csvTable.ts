import Papa from 'papaparse'
import { type Outcome, bad, good, problem } from '@/core/outcome'
import { MAX_FILE_BYTES } from './fileRefused'

interface CsvRow {
  /** Line of the file on which the row begins, the heading being 1. */
  line: number
  cells: string[]
}

export interface CsvTable {
  heading: string[]
  rows: CsvRow[]
  delimiter: ',' | ';' | '\t'
}

const NAMES = { ',': 'comma', ';': 'semicolon', '\t': 'tab' } as const

/** What a spreadsheet takes for a formula; a signed number is a number. */
const FORMULA = /^(?:[=@\t\r]|[+-](?!\d+(?:[.,]\d+)?(?:e[+-]?\d+)?$))/i

/** A cell without the apostrophe that {@link writeCsv} leads a formula by. */
const asWritten = (cell: string) =>
  cell.startsWith("'") && FORMULA.test(cell.slice(1)) ? cell.slice(1) : cell

function delimiterOf(firstLine: string): CsvTable['delimiter'] | null {
  const counts = ([',', ';', '\t'] as const).map((d) => ({ d, n: firstLine.split(d).length - 1 }))
  const best = counts.sort((a, b) => b.n - a.n)[0]!
  return best.n > 0 ? best.d : null
}

/**
 * Reads a table with a heading line: comma, semicolon or tab, RFC 4180 quoting, with or without a byte order mark.
 * @param text the whole file
 */
export function readCsvTable(text: string): Outcome<CsvTable> {
  if (text.length > MAX_FILE_BYTES)
    return bad(problem('too-large', 'file', 'The file is larger than 64 MB. Split it.'))
  const whole = text.replace(/^\uFEFF/, '')
  // A spreadsheet's own first line, which says what parts the columns.
  const said = /^"?sep=([,;\t])"?[ \t]*\r?\n/i.exec(whole)
  const plain = said ? whole.slice(said[0].length) : whole
  const before = said ? 1 : 0
  if (plain.includes('\u0000'))
    return bad(problem('not-text', 'file', 'This is not a text file. Save the sheet as CSV.'))
  const firstLine = plain.split(/\r?\n/, 1)[0] ?? ''
  if (firstLine.trim() === '')
    return bad(problem('no-heading', 'line 1', 'The first line is empty; it should name the columns.'))
  const delimiter = (said?.[1] as CsvTable['delimiter'] | undefined) ?? delimiterOf(firstLine)
  if (delimiter === null)
    return bad(
      problem(
        'delimiter',
        'line 1',
        `The first line has no comma, semicolon or tab between names: "${firstLine.slice(0, 60)}". Save the sheet as CSV with one of these.`,
      ),
    )
  const rows: CsvRow[] = []
  let line = 1 + before
  let at = 0
  let broken: string | null = null
  Papa.parse<string[]>(plain, {
    delimiter,
    step: ({ data, errors, meta }) => {
      const piece = plain.slice(at, meta.cursor)
      at = meta.cursor
      if (errors.length > 0 && broken === null) broken = `line ${line}`
      if (data.some((c) => c.trim() !== '')) rows.push({ line, cells: data.map((c) => asWritten(c.trim())) })
      line += (piece.match(/\r\n|\n|\r/g) ?? []).length
    },
  })
  if (broken !== null)
    return bad(
      problem('quotes', broken, 'A quotation mark is opened and not closed, or stands inside a word.'),
    )
  const [heading, ...body] = rows
  if (body.length === 0) return bad(problem('no-rows', 'file', 'The file has a heading and no rows.'))
  const most = body.reduce((n, r) => Math.max(n, r.cells.length), 0)
  if (heading!.cells.length === 1 || most < 2)
    return bad(
      problem(
        'delimiter',
        'line 1',
        `Read with a ${NAMES[delimiter]}, every row is one column. Another separator is needed.`,
      ),
    )
  return good({ heading: heading!.cells, rows: body, delimiter })
}

/** Writes a table by RFC 4180, with a heading. A text that a spreadsheet would carry out is led by an apostrophe. */
export function writeCsv(
  heading: readonly string[],
  rows: readonly (readonly (string | number | null)[])[],
): string {
  return (
    Papa.unparse(
      { fields: [...heading], data: rows.map((r) => [...r]) },
      { newline: '\r\n', escapeFormulae: FORMULA },
    ) + '\r\n'
  )
}
