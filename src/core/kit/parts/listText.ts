import { type Outcome, bad, good, problem } from '@/core/outcome'
import type { Band, PowerSetting } from './part'

const number = (text: string) => Number(text.replace(',', '.'))

/** "144 to 146, 430-440" to bands; empty text is none. */
export function readBands(text: string): Outcome<Band[]> {
  const pieces = text
    .replace(/MHz/gi, '')
    .split(/[;\n]|,\s+|,(?=\d+(?:\.\d+)?\s*(?:-|–|to))/)
    .map((p) => p.trim())
    .filter(Boolean)
  const bands: Band[] = []
  for (const piece of pieces) {
    const m = /^(\d+(?:[.,]\d+)?)\s*(?:-|–|to)\s*(\d+(?:[.,]\d+)?)$/.exec(piece)
    if (!m) return bad(problem('band', piece, `"${piece}" is no band. Write it as 144 to 146.`))
    const [fromMHz, toMHz] = [number(m[1]!), number(m[2]!)]
    if (!(fromMHz > 0 && toMHz > fromMHz))
      return bad(problem('band', piece, `"${piece}": the second frequency must be above the first.`))
    if (toMHz > 300_000)
      return bad(problem('band', piece, `"${piece}": in MHz, please; 300 000 MHz is the highest.`))
    bands.push({ fromMHz, toMHz })
  }
  return good(bands)
}

export const bandsAsText = (bands: readonly Band[]) =>
  bands.map((b) => `${b.fromMHz} to ${b.toMHz}`).join('; ')

/** "high 5; low 1; eco ?" to power settings; a question mark is one that nobody measured. */
export function readPowers(text: string): Outcome<PowerSetting[]> {
  const powers: PowerSetting[] = []
  for (const piece of text
    .split(/[;\n]/)
    .map((p) => p.trim())
    .filter(Boolean)) {
    const m = /^(.*?)\s*(\d+(?:[.,]\d+)?|\?)\s*(m?W)?$/i.exec(piece)
    const value = m?.[2] === '?' ? null : m ? number(m[2]!) * (/^mW$/i.test(m[3] ?? '') ? 0.001 : 1) : NaN
    if (!m || (value !== null && !(value > 0 && value <= 5000)))
      return bad(
        problem(
          'power',
          piece,
          `"${piece}" is no power setting. Write it as high 5; low 1; a ? where it was never measured.`,
        ),
      )
    powers.push({
      name: m[1]!.trim() || (value === null ? 'reduced' : `${Number(value.toPrecision(3))} W`),
      powerW: value,
    })
  }
  return good(powers)
}

export const powersAsText = (powers: readonly PowerSetting[]) =>
  powers.map((p) => `${p.name.replace(/^[\d.]+ W$/, '')} ${p.powerW ?? '?'}`.trim()).join('; ')

/** Two numbers a line, such as a frequency and an SWR. */
export function readPairs(text: string, example: string): Outcome<[number, number][]> {
  const pairs: [number, number][] = []
  const lines = text.split('\n')
  for (let i = 0; i < lines.length; i++) {
    const line = lines[i]!.trim()
    if (line === '') continue
    const [x, y, ...rest] = line
      .split(/[\s:;]+/)
      .filter(Boolean)
      .map(number)
    if (x === undefined || y === undefined || rest.length > 0 || Number.isNaN(x) || Number.isNaN(y))
      return bad(
        problem(
          'pair',
          `line ${i + 1}`,
          `Line ${i + 1}, "${line.slice(0, 40)}", is not two numbers. Write it as ${example}.`,
        ),
      )
    pairs.push([x, y])
  }
  return good(pairs)
}

export const pairsAsText = (pairs: readonly [number, number][]) =>
  pairs.map(([x, y]) => `${x} ${y}`).join('\n')
