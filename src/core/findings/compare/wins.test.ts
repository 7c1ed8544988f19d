import { describe, expect, it } from 'vitest'
import { checkOf } from '@/core/testing/plans'
import { defaultScale, readReport, USUAL_COPY_RULE, type Scale } from '@/core/reports'
import type { Mark } from '@/core/trial'
import { USUAL_CHOICES } from '../choices'
import type { FindingsInput, ReadCheck } from '../input'
import { checksByMark } from '../input'
import { cellsOf } from '../levels'
import { winsAndLosses } from './wins'

const RS = defaultScale('readability-strength')
const marks = ['m1', 'm2', 'm3', 'm4', 'm5', 'm6'].map(
  (id, i) => ({ id, name: id, distanceM: 300 * (i + 1) }) as Mark,
)
const input = (scale: Scale): FindingsInput => ({
  links: ['a', 'b'].map((id) => ({
    id,
    letter: id,
    name: id,
    base: { id: 'z' },
    out: { id },
  })) as FindingsInput['links'],
  marks,
  directions: ['to base'],
  scales: { base: scale, out: scale },
  copyRule: USUAL_COPY_RULE,
  marginDb: 3,
  fixedBeforehand: true,
  checks: [],
  runs: [],
  controlLinkId: null,
  reliability: 0.9,
  need: { floorM: null, ceilingM: null },
  ...USUAL_CHOICES,
})
const checks = (pairs: [string, string][], scale: Scale): ReadCheck[] =>
  pairs.flatMap((texts, i) =>
    texts.map((text, k) => ({
      id: `${i}${k}`,
      ...checkOf(marks[i]!.id, k === 0 ? 'a' : 'b', text),
      time: '',
      device: 'test',
      role: 'out there',
      voided: null,
      versions: 1,
      attenuationDb: 0,
      grades: [],
      reading: readReport(text, scale),
    })),
  )
const count = (pairs: [string, string][], scale: Scale, known = 0, evened = true) => {
  const list = checks(pairs, scale)
  const cells = evened ? cellsOf(input(scale), list) : null
  const { wins, draws, losses, undecided } = winsAndLosses(
    [...checksByMark(list).values()],
    'mark',
    cells,
    'a',
    'b',
    ['to base'],
    () => known,
  )
  return [wins, draws, losses, undecided]
}

describe('winsAndLosses', () => {
  it('counts a mark once, the same step as a draw, heard over not heard as a win', () => {
    const pairs: [string, string][] = [
      ['5 by 8', '5 by 6'],
      ['5 by 7', '5 by 7'],
      ['3 by 4', '4 by 6'],
      ['5 by 9+20', '5 by 9'],
      ['5 by 8', 'nil'],
      ['nil', 'nil'],
    ]
    expect(count(pairs, RS)).toEqual([3, 1, 1, 1])
  })
  it('evens first: a step up that the power explains is a draw', () => {
    // The second mark holds the lowest step of all, which is open below and says nothing.
    const pairs: [string, string][] = [
      ['5 by 8', '5 by 7'],
      ['2 by 2', '2 by 2'],
    ]
    expect(count(pairs, RS)).toEqual([1, 0, 0, 1])
    expect(count(pairs, RS, 6)).toEqual([0, 1, 0, 1])
    expect(count(pairs, RS, 12)).toEqual([0, 0, 1, 1])
  })
  it('goes by the order of the reports where a scale has no dB', () => {
    const words = defaultScale('words')
    const pairs: [string, string][] = [
      ['good', 'fair'],
      ['poor', 'nil'],
      ['fair', 'fair'],
    ]
    expect(count(pairs, words, 0, false)).toEqual([2, 1, 0, 0])
  })
})

describe('cellsOf', () => {
  it('reads a meter of unknown step by the middle of what it may be, and a known one by its own', () => {
    const list = checks([['5 by 7', '5 by 5']], RS)
    if (RS.kind !== 'readability-strength') throw new Error('scale')
    const stranger: Scale = { ...RS, strength: { ...RS.strength, by: 'stranger', stepDb: null } }
    expect(cellsOf(input(RS), list).get('00')!.upper).toBe(-9)
    expect(cellsOf(input(stranger), list).get('00')!.upper).toBe(-6.75)
  })
  it('opens the lowest step below where no threshold can be found', () => {
    const list = checks([['5 by 7', '5 by 5']], RS)
    expect(cellsOf(input(RS), list).get('01')!.lower).toBe(-Infinity)
    expect(cellsOf(input(RS), list).get('00')!.lower).toBe(-15)
  })
  it('gives unread reports no cell; words are above the threshold of hearing, and every retry is a call not heard', () => {
    const list = checks(
      [
        ['loud and clear', 'mumble'],
        ['5 by 7', 'nil'],
      ],
      RS,
    )
    list[2] = { ...list[2]!, calls: 3 }
    const cells = cellsOf(input(RS), list)
    expect([...cells.keys()].sort()).toEqual(['00', '10', '11'])
    const silent = cells.get('11')!
    expect(silent.notHeard).toBe(true)
    expect(cells.get('00')).toMatchObject({ lower: silent.upper, upper: Infinity, inWords: true })
    expect(cells.get('10')!.calls.map((c) => c.notHeard)).toEqual([true, true, false])
  })
})
