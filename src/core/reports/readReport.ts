import { heard, type Reading, type Strength } from './reading'
import type { Scale, StrengthMeaning, WordStep } from './scale'

const SPOKEN: Record<string, string> = {
  zero: '0',
  nought: '0',
  one: '1',
  two: '2',
  three: '3',
  four: '4',
  five: '5',
  fife: '5',
  six: '6',
  seven: '7',
  eight: '8',
  nine: '9',
  niner: '9',
  ten: '10',
  twenty: '20',
  thirty: '30',
  forty: '40',
  fifty: '50',
  sixty: '60',
}

/** Lower case, one kind of dash and space, spoken figures as digits. */
function normalise(text: string): string {
  return text
    .toLowerCase()
    .replace(/[\u2212\u2010-\u2015]/g, '-')
    .replace(/[\u00d7*]/g, 'x')
    .replace(/\b(and|over)\b(?=\s*s?\d)/g, ' ')
    .replace(/\b[a-z]+\b/g, (word) => SPOKEN[word] ?? word)
    .replace(/\bplus\b/g, '+')
    .replace(/\bminus\s*(?=\d)/g, '-')
    .replace(/\s+/g, ' ')
    .replace(/^[\s"'.]+|[\s"'.!]+$/g, '')
}

function wordStep(words: readonly WordStep[], text: string): number | null {
  const plain = (s: string) =>
    s
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, ' ')
      .trim()
  for (const { step, words: list } of words) if (list.some((w) => plain(w) === plain(text))) return step
  return null
}

const unread = (text: string, why: string): Reading => ({ state: 'not read', text, why })

function strengthOf(units: string, over: string | undefined, meaning: StrengthMeaning): Strength | string {
  const s = Number(units)
  const overDb = over === undefined ? 0 : Number(over)
  if (s > meaning.top) return `strength ${s} is above ${meaning.top}, the top of this scale`
  if (overDb > 0 && s !== 9) return `"+${overDb}" belongs to S9 only`
  if (overDb > 0 && meaning.by === 'ear') return 'strength by ear has no dB over nine'
  if (overDb > 80) return `+${overDb} dB is more than any meter shows`
  return { units: s, overDb }
}

const ORDER = (s: Strength) => s.units * 100 + s.overDb

const PAIR = /^r?\s*(\d)\s*(?:by|x|\/|-|,|and|s|\s)?\s*s?\s*(\d)(?:\s*\+\s*(\d{1,2})\s*(?:db)?)?$/

function readPair(text: string, norm: string, meaning: StrengthMeaning): Reading {
  const m = PAIR.exec(norm)
  if (!m)
    return unread(text, 'no readability and strength in it; "5 by 7", "59+20" or one of the words would be')
  const readability = Number(m[1])
  if (readability > 5) return unread(text, `readability ${readability} is above 5`)
  const strength = strengthOf(m[2]!, m[3], meaning)
  if (typeof strength === 'string') return unread(text, strength)
  if (readability === 0) return { state: 'not heard', text }
  return heard(text, { readability, strength: { from: strength, to: strength } })
}

function readStrength(text: string, norm: string, meaning: StrengthMeaning): Reading {
  const m = /^s?\s*(\d)(?:\s*\+\s*(\d{1,2})\s*(?:db)?)?$/.exec(norm)
  if (!m) return unread(text, 'no strength in it; "S7" or "S9+20" would be')
  const strength = strengthOf(m[1]!, m[2], meaning)
  if (typeof strength === 'string') return unread(text, strength)
  return heard(text, { strength: { from: strength, to: strength } })
}

function readReadability(text: string, norm: string): Reading {
  const m = /^r?\s*(\d)(?:\s*(?:of|\/)\s*5)?$/.exec(norm)
  if (!m) return unread(text, 'no readability in it; a figure from 0 to 5 would be')
  const readability = Number(m[1])
  if (readability > 5) return unread(text, `readability ${readability} is above 5`)
  return readability === 0 ? { state: 'not heard', text } : heard(text, { readability })
}

/** No receiver out there shows more than this, nor hears less: a hertz of thermal noise is -174 dBm. */
const HIGHEST_DBM = 20
const LOWEST_DBM = -174

function readLevel(text: string, norm: string, scale: Extract<Scale, { kind: 'level' }>): Reading {
  const m = /^([+-]?)\s*(\d{1,3}(?:[.,]\d+)?)\s*([a-z(][a-z0-9()/]*(?: db)?)?$/.exec(norm)
  if (!m) return unread(text, `no level in it; "-97" or "-97 ${scale.unit}" would be`)
  const unit = m[3]?.replace(/ db$/, '')
  const named = scale.unit.toLowerCase().replace(/ db$/, '')
  if (unit !== undefined && unit !== named && unit !== 'db')
    return unread(text, `"${m[3]}" is not ${scale.unit}, the unit declared`)
  let value = Number(m[2]!.replace(',', '.'))
  if (m[1] === '-' || (m[1] === '' && scale.minusOmitted)) value = -value
  if (scale.unit === 'dBm' && value > HIGHEST_DBM)
    return unread(text, `${value} dBm is above anything a receiver shows; is the minus sign left out?`)
  if (scale.unit === 'dBm' && value < LOWEST_DBM)
    return unread(text, `${value} dBm is below anything a receiver hears`)
  return heard(text, { level: { from: value, to: value } })
}

function readCount(text: string, norm: string, total: number | null): Reading {
  const m = /^(\d+)(?:\s*(?:of|\/|out of)\s*(\d+))?$/.exec(norm)
  if (!m) return unread(text, 'no count in it; "4 of 5" would be')
  const n = m[2] === undefined ? total : Number(m[2])
  if (n === null) return unread(text, 'of how many is not said')
  const k = Number(m[1])
  if (n === 0 || k > n) return unread(text, `${k} of ${n} cannot be`)
  return k === 0 ? { state: 'not heard', text } : heard(text, { count: { k, n } })
}

function readComparison(text: string, norm: string): Reading {
  if (/^(alike|the same|same|no difference|equal)$/.test(norm))
    return heard(text, { comparison: { better: 'alike', byDb: null } })
  const m = /^([ab])\s*(?:is\s*)?(?:better|stronger|clearer)(?:\s*by\s*(\d+(?:\.\d+)?)\s*(?:db)?)?$/.exec(
    norm,
  )
  if (!m) return unread(text, 'no comparison in it; "A better", "alike" or "B better by 6 dB" would be')
  return heard(text, {
    comparison: { better: m[1] === 'a' ? 'A' : 'B', byDb: m[2] === undefined ? null : Number(m[2]) },
  })
}

function readOne(text: string, norm: string, scale: Scale): Reading {
  switch (scale.kind) {
    case 'readability-strength': {
      const alone = /^(?:r\s*(\d)|(\d)\s*of\s*5)$/.exec(norm)
      if (alone) return readReadability(text, norm)
      if (/^s\s*\d/.test(norm)) return readStrength(text, norm, scale.strength)
      return readPair(text, norm, scale.strength)
    }
    case 'readability':
      return readReadability(text, norm)
    case 'strength':
      return readStrength(text, norm, scale.strength)
    case 'level':
      return readLevel(text, norm, scale)
    case 'count':
      return readCount(text, norm, scale.total)
    case 'comparative':
      return readComparison(text, norm)
    case 'bare':
    case 'rate': {
      const m = /^(\d+(?:[.,]\d+)?)\s*(?:%|per cent|bars?|[mk]bit\/s|ms)?$/.exec(norm)
      if (!m) return unread(text, 'no figure in it')
      const step = Number(m[1]!.replace(',', '.'))
      if (scale.kind === 'bare' && (step < scale.bottom || step > scale.top))
        return unread(text, `${step} is outside ${scale.bottom} to ${scale.top}`)
      return heard(text, { step })
    }
    case 'words':
      return unread(text, 'not one of the words declared')
    case 'heard':
      return unread(text, 'neither "heard" nor "not heard"')
  }
}

function hull(text: string, parts: Reading[]): Reading {
  const bad = parts.find((p) => p.state !== 'heard')
  if (bad)
    return bad.state === 'not read' ? { ...bad, text } : unread(text, 'a range cannot hold "not heard"')
  const all = parts.flatMap((p) => (p.state === 'heard' ? [p] : []))
  const first = all[0]!
  const readabilities = all.flatMap((p) => (p.readability === null ? [] : [p.readability]))
  const strengths = all
    .flatMap((p) => (p.strength ? [p.strength.from] : []))
    .sort((a, b) => ORDER(a) - ORDER(b))
  const levels = all.flatMap((p) => (p.level ? [p.level.from] : [])).sort((a, b) => a - b)
  return {
    ...first,
    text,
    readability: readabilities.length ? Math.min(...readabilities) : null,
    strength: strengths.length ? { from: strengths[0]!, to: strengths[strengths.length - 1]! } : null,
    level: levels.length ? { from: levels[0]!, to: levels[levels.length - 1]! } : null,
  }
}

/**
 * Reads a typed or spoken report within the scale that its listener declared.
 *
 * Takes "5 by 7", "5x7", "57", "5/7", "59+20", "59 plus 20", "S7", "-97 dBm", "R3", "4 of 5", the scale's words,
 * either case, ranges ("55 to 59") and several samples ("-97; -95; -99"). What it cannot read is kept as text with
 * the reason; it never guesses and never throws.
 * @param text as said or typed
 * @param scale declared beforehand
 */
export function readReport(text: string, scale: Scale): Reading {
  const norm = normalise(text)
  if (norm === '') return unread(text, 'it is empty')
  if (scale.kind !== 'comparative') {
    const step = wordStep(scale.words, text) ?? wordStep(scale.words, norm)
    if (step === 0) return { state: 'not heard', text }
    if (step !== null) {
      if (scale.kind === 'words' || scale.kind === 'heard') return heard(text, { step })
      return heard(text, { readability: step })
    }
  }
  const range = /^(.+?)\s+to\s+(.+)$/.exec(norm)
  if (range && scale.kind !== 'comparative')
    return hull(text, [readOne(text, range[1]!, scale), readOne(text, range[2]!, scale)])
  const samples = norm.split(/\s*;\s*/)
  if (samples.length > 1)
    return hull(
      text,
      samples.map((s) => readOne(text, s, scale)),
    )
  return readOne(text, norm, scale)
}

/** Why a typed report cannot be read within a scale; null where it can, or where nothing is typed. */
export function whyNotRead(text: string, scale: Scale): string | null {
  if (text.trim() === '') return null
  const reading = readReport(text, scale)
  return reading.state === 'not read' ? reading.why : null
}
