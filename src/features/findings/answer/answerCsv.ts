import type { Answer } from '@/core/findings'
import { writeCsv } from '@/core/formats/csvTable'

const UNIT = { m: 'm', dB: 'db', steps: 'steps', share: 'share', 'Mbit/s': 'mbit_s', ms: 'ms' } as const

/** Three figures that count. */
const sensible = (v: number | null) => (v === null ? null : Number(v.toPrecision(3)))

/** The lines of an answer as a table for a spreadsheet, the first first; by ear a row for each stretch. */
export function answerCsv({ axis, lines }: Answer): string {
  if (lines.some((l) => l.ways.length > 0))
    return writeCsv(
      ['rig', 'way', 'heard', 'from_m', 'to_m'],
      lines.flatMap((l) =>
        l.ways.flatMap((w) =>
          w.spans.map((s) => [
            l.name,
            w.name,
            s.means,
            Math.round(s.fromM),
            s.toM === null ? null : Math.round(s.toM),
          ]),
        ),
      ),
    )
  const unit = axis ? UNIT[axis.unit] : 'value'
  return writeCsv(
    ['place', 'letter', 'rig', unit, `low90_${unit}`, `high90_${unit}`, 'said'],
    lines.map((l, i) => [
      i + 1,
      l.letter,
      l.name,
      sensible(l.value),
      sensible(l.low),
      sensible(l.high),
      [l.text, l.note].filter(Boolean).join('; '),
    ]),
  )
}
