import { bad, good, problem, type Outcome, type Problem } from '@/core/outcome'
import { gammaOfReturnLoss, gammaOfSwr } from '@/core/rf'
import { readings, type Sweep } from '@/core/bench/sweep'
import { writeCsv, type CsvTable } from './csvTable'

/** What the figures of a sweep's table are. */
export const SWEEP_FIGURES = [
  { id: 're-im', name: 'Γ, real and imaginary', two: true },
  { id: 'size-phase', name: '|Γ| and phase in degrees', two: true },
  { id: 'db-phase', name: 'S11 in dB (below 0) and phase in degrees', two: true },
  { id: 'return-loss', name: 'Return loss, dB (above 0)', two: false },
  { id: 's11-db', name: 'S11 in dB (below 0)', two: false },
  { id: 'swr', name: 'SWR', two: false },
] as const
type SweepFigure = (typeof SWEEP_FIGURES)[number]['id']

export const FREQUENCY_UNITS = [
  { id: 'Hz', toMHz: 1e-6 },
  { id: 'kHz', toMHz: 1e-3 },
  { id: 'MHz', toMHz: 1 },
  { id: 'GHz', toMHz: 1e3 },
] as const
type FrequencyUnit = (typeof FREQUENCY_UNITS)[number]['id']

/** Which column of a table is what. */
export interface SweepColumns {
  frequency: number
  unit: FrequencyUnit
  figure: SweepFigure
  first: number
  /** -1 where one column says all. */
  second: number
}

const find = (heading: readonly string[], pattern: RegExp) => heading.findIndex((h) => pattern.test(h))

/** A unit by its heading, or by the size of the first figure. */
function unitOf(heading: string, first: number): FrequencyUnit {
  const named = FREQUENCY_UNITS.find((u) => new RegExp(`(^|[^a-z])${u.id}([^a-z]|$)`, 'i').test(heading))
  if (named) return named.id
  return first >= 1e6 ? 'Hz' : 'MHz'
}

/** What the columns are, by their headings; the rest is asked for. */
export function guessSweepColumns(table: CsvTable): SweepColumns {
  const { heading, rows } = table
  const frequency = Math.max(0, find(heading, /freq|^f\b|hz/i))
  const unit = unitOf(heading[frequency] ?? '', figureOf(rows[0]?.cells[frequency]))
  const phase = find(heading, /phase|deg|angle|arg/i)
  const pick = (figure: SweepFigure, first: number, second = -1) => ({
    frequency,
    unit,
    figure,
    first,
    second,
  })
  const [re, im] = [find(heading, /\bre(al)?\b/i), find(heading, /\bim(ag|aginary)?\b/i)]
  if (re >= 0 && im >= 0) return pick('re-im', re, im)
  const swr = find(heading, /swr/i)
  if (swr >= 0) return pick('swr', swr)
  const loss = find(heading, /return|^rl\b/i)
  if (loss >= 0) return pick('return-loss', loss)
  const db = find(heading, /db|s11|mag/i)
  if (db >= 0) return phase >= 0 ? pick('db-phase', db, phase) : pick('s11-db', db)
  return pick('swr', frequency === 0 ? 1 : 0)
}

function figureOf(cell: string | undefined): number {
  const text = (cell ?? '').trim()
  return text === '' ? NaN : Number(text.replace(',', '.'))
}

/** Γ of a row, or what is wrong with it. */
function gammaOf(figure: SweepFigure, a: number, b: number): { re: number; im: number } | string {
  const turned = (size: number) => ({
    re: size * Math.cos((b * Math.PI) / 180),
    im: size * Math.sin((b * Math.PI) / 180),
  })
  switch (figure) {
    case 're-im':
      return { re: a, im: b }
    case 'size-phase':
      return a < 0 ? 'A size is 0 or more.' : turned(a)
    case 'db-phase':
      return turned(10 ** (a / 20))
    case 's11-db':
      return a > 1
        ? `S11 of ${a} dB is more than went out: is the sign left out?`
        : { re: 10 ** (a / 20), im: 0 }
    case 'return-loss':
      return a < 0
        ? `A return loss of ${a} dB is negative. Figures below 0 are S11 in dB: choose that above.`
        : { re: gammaOfReturnLoss(a), im: 0 }
    case 'swr':
      return a < 1 ? `An SWR of ${a} cannot be: it is 1 or more.` : { re: gammaOfSwr(a), im: 0 }
  }
}

const MOST_SAID = 5

/** A sweep out of a table. @param ohm reference impedance, above 0 */
export function sweepOfTable(table: CsvTable, columns: SweepColumns, ohm: number): Outcome<Sweep> {
  const kind = SWEEP_FIGURES.find((f) => f.id === columns.figure)!
  const { toMHz } = FREQUENCY_UNITS.find((u) => u.id === columns.unit)!
  const said: Problem[] = []
  const points = table.rows.flatMap(({ line, cells }) => {
    const f = figureOf(cells[columns.frequency]) * toMHz
    const a = figureOf(cells[columns.first])
    const b = kind.two ? figureOf(cells[columns.second]) : 0
    if (!(f > 0) || !Number.isFinite(a) || !Number.isFinite(b)) {
      said.push(
        problem(
          'no-number',
          `line ${line}`,
          `Line ${line} lacks a number that is wanted: "${cells.join(' | ').slice(0, 60)}".`,
        ),
      )
      return []
    }
    const gamma = gammaOf(columns.figure, a, b)
    if (typeof gamma === 'string') {
      said.push(problem('figure', `line ${line}`, `Line ${line}: ${gamma}`))
      return []
    }
    return [{ f: Number(f.toPrecision(12)), ...gamma }]
  })
  if (said.length > 0) return bad(...said.slice(0, MOST_SAID))
  points.sort((a, b) => a.f - b.f)
  const twice = points.findIndex((p, i) => i > 0 && p.f === points[i - 1]!.f)
  if (twice > 0)
    return bad(
      problem(
        'twice',
        'file',
        `${points[twice]!.f} MHz stands in it twice. A sweep has one line a frequency.`,
      ),
    )
  return good({
    frequencyMHz: points.map((p) => p.f),
    re: points.map((p) => p.re),
    im: points.map((p) => p.im),
    ohm,
    phase: kind.two,
  })
}

/** A sweep as a table, with what it means beside it. */
export function writeSweepTable(s: Sweep): string {
  return writeCsv(
    s.phase
      ? ['frequency_mhz', 're', 'im', 'return_loss_db', 'swr']
      : ['frequency_mhz', 'return_loss_db', 'swr'],
    readings(s).map(({ frequencyMHz: f, returnLossDb, swr }, i) => {
      const said = [Number(returnLossDb.toFixed(3)), Number.isFinite(swr) ? Number(swr.toFixed(4)) : null]
      return s.phase ? [f, Number(s.re[i]!.toFixed(7)), Number(s.im[i]!.toFixed(7)), ...said] : [f, ...said]
    }),
  )
}
