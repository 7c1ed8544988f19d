import { good, problem, type Outcome } from '@/core/outcome'
import type { Sweep } from '@/core/bench'
import { FileRefused, reading } from './fileRefused'

/** Touchstone 1.1 and 2.0 (IBIS Open Forum), one port or two. */
export interface TouchstoneFile {
  version: '1.1' | '2.0'
  /** Every parameter by its name: S11; of two ports S21, S12 and S22 as well. */
  parameters: { name: 'S11' | 'S21' | 'S12' | 'S22'; sweep: Sweep }[]
  /** What its comments say, without the sign. */
  comments: string[]
}

type NumberFormat = 'MA' | 'DB' | 'RI'
interface Options {
  toMHz: number
  format: NumberFormat
  ohm: number
}

const UNITS: Record<string, number> = { HZ: 1e-6, KHZ: 1e-3, MHZ: 1, GHZ: 1e3 }
const OTHER_KINDS = ['Y', 'Z', 'G', 'H']
const MOST_POINTS = 20_001

const LACKS_OPTIONS =
  'This is no Touchstone file: it lacks the option line, such as "# MHz S RI R 50". A table of figures is read as .csv.'

const refuse = (code: string, where: string, message: string): never => {
  throw new FileRefused(problem(code, where, message))
}

/** The option line: words in any order; what is left out is GHz, S, MA and 50 ohm. */
function readOptions(text: string, line: number): Options {
  const words = text.slice(1).trim().toUpperCase().split(/\s+/).filter(Boolean)
  const found: Options = { toMHz: UNITS.GHZ!, format: 'MA', ohm: 50 }
  for (let i = 0; i < words.length; i++) {
    const word = words[i]!
    if (word in UNITS) found.toMHz = UNITS[word]!
    else if (word === 'MA' || word === 'DB' || word === 'RI') found.format = word
    else if (word === 'R') {
      found.ohm = Number(words[++i])
      if (!(found.ohm > 0))
        refuse('reference', `line ${line}`, 'After R the reference impedance is wanted, such as R 50.')
    } else if (OTHER_KINDS.includes(word))
      refuse(
        'not-s',
        `line ${line}`,
        `It holds ${word} parameters. Have the program that wrote it write S parameters instead.`,
      )
    else if (word !== 'S')
      refuse(
        'option',
        `line ${line}`,
        `"${word.slice(0, 20)}" is unknown on the option line; "# MHz S RI R 50" would be right.`,
      )
  }
  return found
}

interface Raw {
  options: Options | null
  version: '1.1' | '2.0'
  ports: number | null
  order: '21_12' | '12_21'
  reference: number[] | null
  comments: string[]
  /** Numbers of each line that has some, in the network data. */
  rows: { line: number; numbers: number[] }[]
}

/** What a keyword of version 2 says; what only other tools want is passed over. */
function takeKeyword(raw: Raw, text: string, line: number): string {
  const [, name = '', rest = ''] = /^\[([^\]]+)\]\s*(.*)$/.exec(text) ?? []
  const key = name.trim().toLowerCase()
  if (key === 'version') raw.version = '2.0'
  else if (key === 'number of ports') raw.ports = Number(rest)
  else if (key === 'two-port data order') raw.order = rest.trim() === '12_21' ? '12_21' : '21_12'
  else if (key === 'reference') raw.reference = rest.trim().split(/\s+/).filter(Boolean).map(Number)
  else if (key === 'matrix format' && rest.trim().toLowerCase() !== 'full')
    refuse(
      'matrix',
      `line ${line}`,
      'Only a full matrix can be read; have it written with [Matrix Format] Full.',
    )
  return key
}

function gather(text: string): Raw {
  const raw: Raw = {
    options: null,
    version: '1.1',
    ports: null,
    order: '21_12',
    reference: null,
    comments: [],
    rows: [],
  }
  let section = 'network data'
  text.split(/\r\n|\n|\r/).forEach((whole, i) => {
    const line = i + 1
    const mark = whole.indexOf('!')
    if (mark >= 0) raw.comments.push(whole.slice(mark + 1).trim())
    const said = (mark < 0 ? whole : whole.slice(0, mark)).trim()
    if (said === '') return
    if (said.startsWith('[')) {
      const key = takeKeyword(raw, said, line)
      if (key === 'reference') section = key
      else if (/^(begin information|noise data|end)$/.test(key)) section = key
      else if (/^(network data|end information)$/.test(key)) section = 'network data'
      return
    }
    // Only the first option line counts.
    if (said.startsWith('#')) raw.options ??= readOptions(said, line)
    else if (section === 'reference' && raw.rows.length === 0)
      raw.reference!.push(...said.split(/\s+/).map(Number))
    else if (section === 'network data') {
      if (!raw.options && raw.rows.length === 0 && !/^[-+.\d]/.test(said))
        refuse('no-options', `line ${line}`, LACKS_OPTIONS)
      raw.rows.push({ line, numbers: numbersOf(said, line) })
    }
  })
  return raw
}

function numbersOf(said: string, line: number): number[] {
  return said.split(/\s+/).map((word) => {
    const n = Number(word.replace(/[dD](?=[+-]?\d+$)/, 'e'))
    if (!Number.isFinite(n))
      refuse('no-number', `line ${line}`, `"${word.slice(0, 20)}" is no number. A comment begins with "!".`)
    return n
  })
}

function pairOf(format: NumberFormat, a: number, b: number): [number, number] {
  if (format === 'RI') return [a, b]
  const size = format === 'DB' ? 10 ** (a / 20) : a
  const turn = (b * Math.PI) / 180
  return [size * Math.cos(turn), size * Math.sin(turn)]
}

/**
 * Reads a Touchstone file of one port or two. A point may be spread over lines; noise figures at the end of a file
 * of two ports are passed over.
 * @param fileName its ending tells how many ports there are, where the file does not
 */
export function readTouchstone(text: string, fileName: string): Outcome<TouchstoneFile> {
  return reading(() => {
    const raw = gather(text)
    const named = /\.s(\d+)p$/i.exec(fileName)
    const first = raw.rows[0]?.numbers.length ?? 0
    const ports = raw.ports ?? (named ? Number(named[1]) : first === 9 ? 2 : 1)
    if (raw.rows.length === 0)
      return refuse(
        'empty',
        'file',
        'There are no figures in it. A Touchstone file has a line of numbers a point.',
      )
    if (ports !== 1 && ports !== 2)
      return refuse('ports', 'file', `It has ${ports} ports; a file of one port or two can be read.`)
    if (!raw.options && raw.version === '1.1' && !named) return refuse('no-options', 'line 1', LACKS_OPTIONS)
    const options = raw.options ?? { toMHz: UNITS.GHZ!, format: 'MA', ohm: 50 }
    const ohm = raw.reference?.[0] ?? options.ohm
    if (!(ohm > 0)) return refuse('reference', 'file', 'Its reference impedance is no number above 0.')
    const names = ports === 1 ? (['S11'] as const) : twoPortNames(raw.order)
    const points = pointsOf(raw, 1 + 2 * names.length)
    const parameters = names.map((name, k) => {
      const made = points.map((p) => pairOf(options.format, p[1 + 2 * k]!, p[2 + 2 * k]!))
      const sweep: Sweep = {
        frequencyMHz: points.map((p) => Number((p[0]! * options.toMHz).toPrecision(12))),
        re: made.map((g) => g[0]),
        im: made.map((g) => g[1]),
        ohm,
        phase: true,
      }
      return { name, sweep }
    })
    return good({ version: raw.version, parameters, comments: raw.comments.filter((c) => c !== '') })
  })
}

const twoPortNames = (order: Raw['order']) =>
  order === '12_21' ? (['S11', 'S12', 'S21', 'S22'] as const) : (['S11', 'S21', 'S12', 'S22'] as const)

/** Points of so many numbers each, up to where the frequency falls back, which is where noise figures begin. */
function pointsOf(raw: Raw, width: number): number[][] {
  const points: number[][] = []
  let open: number[] = []
  for (const { line, numbers } of raw.rows) {
    if (open.length === 0 && points.length > 1 && width > 3 && numbers[0]! <= points[points.length - 1]![0]!)
      break
    open.push(...numbers)
    if (open.length > width || (width === 3 && open.length !== 3))
      refuse(
        'columns',
        `line ${line}`,
        `A point of this file has ${width} numbers; here there are ${open.length}. ${width === 3 ? 'A file of two ports ends in .s2p.' : ''}`.trim(),
      )
    if (open.length < width) continue
    const before = points[points.length - 1]
    if (before && open[0]! <= before[0]!)
      refuse('order', `line ${line}`, 'The frequency does not rise here; points go from low to high.')
    if (open[0]! < 0) refuse('frequency', `line ${line}`, 'A frequency is never negative.')
    points.push(open)
    open = []
    if (points.length > MOST_POINTS)
      refuse('too-many', `line ${line}`, `At most ${MOST_POINTS} points are read.`)
  }
  if (open.length > 0) refuse('cut-short', 'file', 'The last point is cut short. Take the file again.')
  return points
}

/**
 * Writes one port: MHz, real and imaginary, ten digits.
 * @param comments one a line @param version 1.1 is what every program reads
 */
export function writeTouchstone(
  s: Sweep,
  comments: readonly string[],
  version: '1.1' | '2.0' = '1.1',
): string {
  const digits = (v: number) => v.toPrecision(10)
  const rows = s.frequencyMHz.map(
    (f, i) => `${Number(f.toPrecision(12))} ${digits(s.re[i]!)} ${digits(s.im[i]!)}`,
  )
  const said = comments.map((c) => `! ${c.replace(/[\r\n]+/g, ' ')}`)
  const lines =
    version === '1.1'
      ? [...said, `# MHz S RI R ${s.ohm}`, ...rows]
      : [
          '[Version] 2.0',
          ...said,
          '# MHz S RI',
          '[Number of Ports] 1',
          `[Number of Frequencies] ${rows.length}`,
          `[Reference] ${s.ohm}`,
          '[Network Data]',
          ...rows,
          '[End]',
        ]
  return `${lines.join('\n')}\n`
}
