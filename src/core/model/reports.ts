import { onceEach } from '@/core/onceEach'

/** What one call said at its listener. */
export type Call =
  | { kind: 'not heard' }
  /** The step of an ordered list that the report stands on, 1 (heard, and no more) to the list's length. */
  | { kind: 'step'; step: number }
  /** A strength of the same call besides, dB; open ends are infinite. */
  | { kind: 'step and strength'; step: number; lowerDb: number; upperDb: number }
  | { kind: 'strength'; lowerDb: number; upperDb: number }
  /** So many words or packets of n copied. */
  | { kind: 'share'; k: number; n: number }

/** Equal calls of one link to one listener at one mark. All but the count are indices or what was said. */
export interface ModelReport {
  mark: number
  link: number
  listener: number
  call: Call
  /** How many calls said the same, 1 or more. */
  count: number
  /** What is known of just these calls, dB: less where an attenuator was in, or a hill in the way. */
  offsetDb?: number
  /** The run, or the time at the mark; reports of one visit are put together. */
  visit?: number
  /** How far each of the input's terms weighs on these calls: index and factor. */
  terms?: readonly (readonly [term: number, factor: number])[]
}

export interface ModelMark {
  /** Marks of one leg share the ground along it. */
  legId: string
  /** From the base, m, above nought. */
  distanceM: number
  /** Along the leg, m. */
  alongM: number
}

/** One who reports: the base, or the one out there. */
export interface ModelListener {
  /** Steps of the ordered list: 5 for readability, 1 where calls are only heard or not. */
  steps: number
  /** How far a strength is misread, dB: a quarter of a meter's step, half a step of a display of 1 dB. */
  readingErrorDb: number
  /** Words or packets are counted. */
  counts: boolean
  /** Strengths below this were read by a step that nobody measured, dB; left out where it is known. */
  stretchedBelowDb?: number
}

/** A run as the model sees it. */
export interface ModelInput {
  marks: readonly ModelMark[]
  links: number
  listeners: readonly ModelListener[]
  /** What is known of a link at a listener (power, gain, loss), dB, by link and listener. */
  knownDb: readonly (readonly number[])[]
  /** Whatever else the level hangs on in a straight line (drift, a day, a mode): its prior N(0, sd²), dB. */
  terms?: readonly { sdDb: number }[]
  /**
   * All levels are weaker beyond somewhere between two distances that were reported from, as behind a ridge:
   * half-normal with this spread, dB.
   */
  step?: { nearM: number; farM: number; sdDb: number }
  reports: readonly ModelReport[]
}

/** A kind of report of one listener; the chance of each is worked out once for all that said the same. */
export interface Pattern {
  listener: number
  call: Call
}

/** All that one link said to one listener on one visit to a mark. */
interface Cell {
  mark: number
  link: number
  listener: number
  /** Known of link and visit, dB. */
  knownDb: number
  /** Terms of the input, by their mean factors. */
  terms: [term: number, factor: number][]
  /** Which of what a link has of its own at a mark. */
  own: number
  said: { pattern: number; count: number }[]
}

/** A run with equal reports put together, marks that nobody reported from left out, in the order of their legs. */
export interface ModelData {
  input: ModelInput
  /** Indices of the marks that are in, leg by leg and outwards; cells count in this order. */
  marks: number[]
  /** From the base, m. */
  distanceM: number[]
  /** m to the mark before on the same leg; null at a leg's first. */
  gapM: (number | null)[]
  /** d0, the geometric mean of the marks' distances, m. */
  middleM: number
  /** C: the mean of the middles of all strengths closed at both ends, dB; -100 where there are none. */
  levelDb: number
  /** Strengths closed at both ends. */
  closed: number
  cells: Cell[]
  patterns: Pattern[]
  /** The mark of each link's own. */
  ownMark: number[]
}

/** Where nothing was read in dB, the scale is set about here. */
const NO_STRENGTH_DB = -100
/** Marks nearer than this to one another count as so far apart, m. */
const NEAREST_M = 1

const patternKey = (listener: number, call: Call) => `${listener} ${Object.values(call).join(' ')}`

/** The middle of a strength closed at both ends; null otherwise. */
function middleOf(call: Call): number | null {
  if (call.kind !== 'strength' && call.kind !== 'step and strength') return null
  const middle = (call.lowerDb + call.upperDb) / 2
  return Number.isFinite(middle) ? middle : null
}

/** Takes reports into the mean factors of their cell. */
function meanTerms(cell: Cell, terms: NonNullable<ModelReport['terms']>, count: number): void {
  const before = cell.said.reduce((n, s) => n + s.count, 0)
  const share = count / (before + count)
  for (const term of cell.terms) term[1] *= 1 - share
  for (const [i, factor] of terms) {
    const known = cell.terms.find(([j]) => j === i)
    if (known) known[1] += share * factor
    else cell.terms.push([i, share * factor])
  }
}

/**
 * Puts equal reports together and the marks in order. Repeats cost nothing afterwards.
 * @throws RangeError where a report names a mark, link, listener or step that is none
 */
export function modelData(input: ModelInput): ModelData {
  const used = new Set(input.reports.map((r) => r.mark))
  const marks = input.marks
    .map((m, i) => ({ ...m, i }))
    .filter((m) => used.has(m.i))
    .sort((a, b) => (a.legId < b.legId ? -1 : a.legId > b.legId ? 1 : a.alongM - b.alongM))
  const order = new Map(marks.map((m, at) => [m.i, at]))
  const patterns: Pattern[] = []
  const patternAt = new Map<string, number>()
  const patternOf = input.listeners.map((_, listener) =>
    onceEach((call: Call) => {
      const key = patternKey(listener, call)
      const at = patternAt.get(key) ?? patterns.push({ listener, call }) - 1
      patternAt.set(key, at)
      return at
    }),
  )
  const cells = new Map<string, Cell>()
  const owns = new Map<string, number>()
  const ownMark: number[] = []
  const ownOf = (mark: number, link: number) => {
    const known = owns.get(`${mark} ${link}`)
    if (known !== undefined) return known
    owns.set(`${mark} ${link}`, ownMark.length)
    return ownMark.push(mark) - 1
  }
  let [sum, closed] = [0, 0]
  for (const { mark, link, listener, call, count, offsetDb = 0, visit = 0, terms = [] } of input.reports) {
    const who = input.listeners[listener]
    const at = order.get(mark)
    if (at === undefined || !(link >= 0 && link < input.links) || !who)
      throw new RangeError(`no mark ${mark}, link ${link} or listener ${listener}`)
    if ('step' in call && !(call.step >= 1 && call.step <= who.steps))
      throw new RangeError(`step ${call.step} is none of 1 to ${who.steps}`)
    const middle = middleOf(call)
    if (middle !== null) {
      sum += middle * count
      closed += count
    }
    const pattern = patternOf[listener]!(call)
    const cellKey = `${at} ${link} ${listener} ${visit} ${offsetDb}`
    const knownDb = input.knownDb[link]![listener]! + offsetDb
    const made = cells.get(cellKey)
    const cell = made ?? { mark: at, link, listener, knownDb, terms: [], own: ownOf(at, link), said: [] }
    cells.set(cellKey, cell)
    meanTerms(cell, terms, count)
    const same = cell.said.find((s) => s.pattern === pattern)
    if (same) same.count += count
    else cell.said.push({ pattern, count })
  }
  return {
    input,
    marks: marks.map((m) => m.i),
    distanceM: marks.map((m) => m.distanceM),
    gapM: marks.map((m, i) =>
      i > 0 && marks[i - 1]!.legId === m.legId ? Math.max(NEAREST_M, m.alongM - marks[i - 1]!.alongM) : null,
    ),
    middleM: Math.exp(marks.reduce((s, m) => s + Math.log(m.distanceM), 0) / Math.max(1, marks.length)),
    levelDb: closed > 0 ? sum / closed : NO_STRENGTH_DB,
    closed,
    cells: [...cells.values()],
    patterns,
    ownMark,
  }
}
