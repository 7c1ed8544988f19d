import { expect, test } from 'vitest'
import { normalCdf } from '../numeric/normal'
import { HeardMarks, type HeardOrNot } from './heardMarks'

const heard = (link: number, lower: number): HeardOrNot => ({ link, heard: true, lower, upper: lower + 6 })
const silent = (link: number): HeardOrNot => ({ link, heard: false })
const MARKS: HeardOrNot[][] = [
  [heard(0, -100), heard(1, -94)],
  [heard(0, -112), silent(1)],
  [silent(0), heard(1, -112)],
  [heard(1, -106), heard(0, -106), silent(0)],
]
const lnOf = (marks: HeardOrNot[][], thresholdDb = -110, offsets = [0, 2]) =>
  new HeardMarks(marks).lnLikelihood(thresholdDb, 2, 4, Float64Array.from(offsets))

test('one mark by hand: its level summed over every 2 dB from 30 below its lowest step to 15 above its highest', () => {
  const levels = Array.from({ length: 27 }, (_, j) => -142 + 2 * j)
  const unheard = (x: number) => normalCdf((-110 - x) / Math.hypot(2, 4))
  const [lower, upper] = [-112, -106]
  let [told, any] = [0, 0]
  for (const x of levels) {
    const step = normalCdf((upper - x) / 4) - normalCdf((lower - x) / 4)
    told += step * unheard(x + 2)
    any += 1 - unheard(x) * unheard(x + 2)
  }
  const heardInTheMiddle = normalCdf((-109 + 110) / 2)
  expect(lnOf([MARKS[1]!])).toBeCloseTo(Math.log(told / any) + Math.log(heardInTheMiddle), 4)
})

test('marks tell by themselves: those that are alike count each, in whatever order they and their reports stand', () => {
  const [first, ...others] = MARKS
  expect(lnOf([...MARKS, ...MARKS])).toBeCloseTo(2 * lnOf(MARKS), 9)
  // The first report says which link the others are told against.
  expect(lnOf([first!, ...others.reverse().map((m) => [...m].reverse())])).toBeCloseTo(lnOf(MARKS), 9)
})

test('all by 12 dB louder with the threshold is the same', () => {
  const louder = MARKS.map((m) =>
    m.map((r) => (r.heard ? { ...r, lower: r.lower + 12, upper: r.upper + 12 } : r)),
  )
  expect(lnOf(louder, -98)).toBeCloseTo(lnOf(MARKS), 9)
})

test('what was worked out for one spread and offset is not used for another', () => {
  const marks = new HeardMarks(MARKS)
  const at = (offset: number, spread: number) =>
    marks.lnLikelihood(-110, 2, spread, Float64Array.from([0, offset]))
  const first = at(2, 4)
  expect(at(5, 4)).not.toBeCloseTo(first, 3)
  expect(at(2, 3)).not.toBeCloseTo(first, 3)
  expect(at(2, 4)).toBe(first)
})
