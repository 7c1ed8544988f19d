import { describe, expect, it } from 'vitest'
import { ANY_HEARD, describeCopyRule, isCopied, USUAL_COPY_RULE, type CopyRule } from './copyRule'
import { guessScale, isBare } from './guessScale'
import { readReport } from './readReport'
import { readingText } from './reading'
import { defaultScale, describeScale, NOMINAL_METER, type Scale } from './scale'
import { levelCell } from './toCell'

const RS = defaultScale('readability-strength')
const R = defaultScale('readability')
const S = defaultScale('strength')
const DBM = defaultScale('level')
const BARE_DBM: Scale = { kind: 'level', unit: 'dBm', minusOmitted: true, stepDb: 1, words: [] }
const SINR: Scale = { kind: 'level', unit: 'SINR dB', minusOmitted: false, stepDb: 1, words: [] }
const COUNT = defaultScale('count')
const WORDS = defaultScale('words')
const HEARD = defaultScale('heard')
const AB = defaultScale('comparative')
const METER: Scale = { kind: 'bare', unit: 'reading', bottom: 0, top: 100, words: [] }
const EAR: Scale = {
  kind: 'strength',
  strength: { ...NOMINAL_METER, by: 'ear', top: 5, stepDb: null },
  words: [],
}

// text, scale, what it is read as; null where it must be asked about.
const TABLE: [string, Scale, string | null][] = [
  ['5 by 7', RS, 'readability 5, S7'],
  ['5by7', RS, 'readability 5, S7'],
  ['5x7', RS, 'readability 5, S7'],
  ['5 x 7', RS, 'readability 5, S7'],
  ['5×7', RS, 'readability 5, S7'],
  ['57', RS, 'readability 5, S7'],
  ['5/7', RS, 'readability 5, S7'],
  ['5 7', RS, 'readability 5, S7'],
  ['5-7', RS, 'readability 5, S7'],
  ['5 and 7', RS, 'readability 5, S7'],
  ['R5 S7', RS, 'readability 5, S7'],
  ['r5s7', RS, 'readability 5, S7'],
  ['five by seven', RS, 'readability 5, S7'],
  ['Fife by Niner', RS, 'readability 5, S9'],
  ['59+20', RS, 'readability 5, S9+20'],
  ['59 plus 20', RS, 'readability 5, S9+20'],
  ['59 + 20 dB', RS, 'readability 5, S9+20'],
  ['5 by 9+10', RS, 'readability 5, S9+10'],
  ['five nine plus twenty', RS, 'readability 5, S9+20'],
  ['4/6', RS, 'readability 4, S6'],
  ['"5 by 9"', RS, 'readability 5, S9'],
  ['55 to 59', RS, 'readability 5, S5 to S9'],
  ['55; 57; 56', RS, 'readability 5, S5 to S7'],
  ['R3', RS, 'readability 3'],
  ['S7', RS, 'S7'],
  ['4 of 5', RS, 'readability 4'],
  ['loud and clear', RS, 'readability 5'],
  ['LOUD AND CLEAR!', RS, 'readability 5'],
  ['readable, some noise', RS, 'readability 4'],
  ['readable with difficulty', RS, 'readability 3'],
  ['broken', RS, 'readability 2'],
  ['carrier only', RS, 'readability 1'],
  ['nil', RS, 'not heard'],
  ['No copy', RS, 'not heard'],
  ['nothing heard', RS, 'not heard'],
  ['00', RS, 'not heard'],
  ['68', RS, null],
  ['5 by 7+20', RS, null],
  ['7', RS, null],
  ['-97 dBm', RS, null],
  ['59+90', RS, null],
  ['yes, fine, the usual', RS, null],
  ['', RS, null],
  ['4', R, 'readability 4'],
  ['R5', R, 'readability 5'],
  ['4/5', R, 'readability 4'],
  ['0', R, 'not heard'],
  ['6', R, null],
  ['S7', S, 'S7'],
  ['7', S, 'S7'],
  ['s9+40', S, 'S9+40'],
  ['S5 to S7', S, 'S5 to S7'],
  ['57', S, null],
  ['4', EAR, 'S4'],
  ['7', EAR, null],
  ['-97', DBM, '-97 dB'],
  ['-97 dBm', DBM, '-97 dB'],
  ['minus 97', DBM, '-97 dB'],
  ['−97', DBM, '-97 dB'],
  ['-97,5', DBM, '-97.5 dB'],
  ['-99 to -95', DBM, '-99 to -95 dB'],
  ['-97; -95; -99', DBM, '-99 to -95 dB'],
  ['97', DBM, null],
  ['-97 dBuV', DBM, null],
  ['S9', DBM, null],
  ['not heard', DBM, 'not heard'],
  ['81', BARE_DBM, '-81 dB'],
  ['-81', BARE_DBM, '-81 dB'],
  ['12', SINR, '12 dB'],
  ['4 of 5', COUNT, '4 of 5'],
  ['4', COUNT, '4 of 5'],
  ['0 of 5', COUNT, 'not heard'],
  ['6 of 5', COUNT, null],
  ['fair', WORDS, 'step 2'],
  ['Good', WORDS, 'step 3'],
  ['splendid', WORDS, null],
  ['heard', HEARD, 'step 1'],
  ['nothing', HEARD, 'not heard'],
  ['A better', AB, 'A better'],
  ['alike', AB, 'alike'],
  ['b stronger by 6 dB', AB, 'B better'],
  ['whatever', AB, null],
  ['85', METER, 'step 85'],
  ['120', METER, null],
]

describe('readReport', () => {
  it.each(TABLE)('%j on its scale', (text, scale, expected) => {
    const reading = readReport(text, scale)
    if (expected === null) {
      expect(reading.state).toBe('not read')
      if (reading.state === 'not read') expect(reading.why.length).toBeGreaterThan(8)
    } else expect(readingText(reading)).toBe(expected)
    expect(reading.text).toBe(text)
  })
  it('has a table of at least sixty', () => expect(TABLE.length).toBeGreaterThanOrEqual(60))
})

describe('levelCell', () => {
  const cell = (text: string, scale = RS, step = 6) => levelCell(readReport(text, scale), scale, step)
  it('gives the real edges of a meter’s steps, in dB against S9', () => {
    expect(cell('57')).toMatchObject({ lower: -15, upper: -9 })
    expect(cell('59')).toMatchObject({ lower: -3, upper: 5 })
    expect(cell('59+10')).toMatchObject({ lower: 5, upper: 15 })
    expect(cell('59+60')).toMatchObject({ lower: 55, upper: Infinity })
    expect(cell('50')).toMatchObject({ lower: -Infinity })
    expect(cell('57', RS, 4)).toMatchObject({ lower: -10, upper: -6 })
    expect(cell('-97', DBM)).toMatchObject({ lower: -97.5, upper: -96.5 })
  })
  it('gives nothing for what is not in dB', () => {
    expect(cell('broken')).toBeNull()
    expect(cell('nil')).toBeNull()
    expect(cell('4', EAR)).toBeNull()
    expect(cell('12', SINR)).toBeNull()
  })
})

describe('guessScale', () => {
  it('never takes bare figures for dBm, and says that they are bare', () => {
    expect(guessScale(['5', '4', '3', 'nil']).scale.kind).toBe('readability')
    expect(guessScale(['9', '7', '3']).scale.kind).toBe('strength')
    expect(isBare(['5', '4', 'nil'])).toBe(true)
    expect(isBare(['5 by 4', '3'])).toBe(false)
    expect(isBare(['nil', 'loud and clear'])).toBe(false)
  })
  it('knows the common scales from their reports', () => {
    expect(guessScale(['5 by 9', 'nil', '4/6', 'broken']).scale.kind).toBe('readability-strength')
    expect(guessScale(['-97', '-101', 'not heard']).scale).toMatchObject({
      kind: 'level',
      minusOmitted: false,
    })
    expect(guessScale(['97', '101', '88']).scale).toMatchObject({ kind: 'level', minusOmitted: true })
    expect(guessScale(['S7', 'S9+20']).scale.kind).toBe('strength')
    expect(guessScale(['loud and clear', 'broken', 'no copy']).scale.kind).toMatch(/^readability/)
    expect(guessScale(['4 of 5', '0 of 5']).scale.kind).toBe('count')
    expect(guessScale(['59+5', '59+15']).scale).toMatchObject({ strength: { overStepDb: 5 } })
    expect(describeScale(guessScale(['S7']).scale)).toContain('6 dB a step, not measured')
  })
})

describe('copy rule', () => {
  const copied = (text: string, calls: number) => isCopied(readReport(text, RS), calls, USUAL_COPY_RULE, RS)
  it('asks for readability and calls', () => {
    expect(copied('3 by 5', 2)).toBe(true)
    expect(copied('3 by 5', 3)).toBe(false)
    expect(copied('2 by 5', 1)).toBe(false)
    expect(copied('nil', 1)).toBe(false)
    expect(copied('gibberish', 1)).toBeNull()
    expect(describeCopyRule(USUAL_COPY_RULE, { base: RS, out: RS })).toBe(
      'readability 3 or better on no more than 2 calls',
    )
    expect(describeCopyRule({ ...ANY_HEARD, maxCalls: 1 }, { base: RS })).toBe(
      'heard at all on the first call',
    )
  })
  it.each<[Scale, Partial<CopyRule>, string, string, string]>([
    [defaultScale('words'), { minWord: 2 }, 'fair', 'poor', '“fair” or better'],
    [defaultScale('words'), { minWord: 3 }, 'good', 'fair', '“good”'],
    [defaultScale('level'), { minLevel: -110 }, '-110', '-111', '-110 dBm or better'],
    [defaultScale('count'), { minShare: 0.6 }, '3 of 5', '2 of 5', '3 of 5 words or more'],
    [defaultScale('strength'), { minFigure: 5 }, 'S5', 'S4', 'strength 5 or more'],
    [
      { ...defaultScale('bare'), unit: 'bars', top: 5 } as Scale,
      { minFigure: 2 },
      '2',
      '1',
      'bars 2 or more',
    ],
  ])('asks a scale of its own kind: %o', (scale, change, enough, short, words) => {
    // A readability that was set before the scale was changed asks nothing of one without any.
    const rule = { ...USUAL_COPY_RULE, ...change }
    expect(isCopied(readReport(enough, scale), 1, rule, scale)).toBe(true)
    expect(isCopied(readReport(short, scale), 1, rule, scale)).toBe(false)
    expect(describeCopyRule(rule, { base: scale, out: scale })).toBe(`${words} on no more than 2 calls`)
    expect(describeCopyRule(rule, { base: RS, out: scale })).toBe(
      `readability 3 or better at the base, ${words} out there, on no more than 2 calls`,
    )
  })
  it('asks nothing of scales that have no threshold', () => {
    for (const kind of ['heard', 'rate', 'comparative'] as const)
      expect(describeCopyRule(USUAL_COPY_RULE, { out: defaultScale(kind) })).toBe(
        'heard at all on no more than 2 calls',
      )
  })
})
