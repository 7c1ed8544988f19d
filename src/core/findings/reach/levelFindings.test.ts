import { describe, expect, it } from 'vitest'
import { defaultScale } from '@/core/reports'
import { checkOf, link, mark, planWith, rig } from '@/core/testing/plans'
import { asLogged } from '@/core/trial'
import { inputOf, makeFindings, prepareFindings } from '..'

const handheld = (id: string) => rig(id, { txMHz: 446, antennaHeightM: 1.5 })
const marks = Array.from({ length: 12 }, (_, i) => mark(`m${i}`, 200 * 1.32 ** i))
const plan = planWith({
  links: ['A', 'B'].map((id) => link(handheld(id), handheld('Z'))),
  marks,
  reliability: 0.8,
})
/** S9 at 200 m and an S-unit less at each mark; B an S-unit weaker; lost below S1. Both weaker by what is put in. */
const reports = (attenuationDb = 0) =>
  marks.flatMap((m, i) =>
    ['A', 'B'].map((linkId, k) => {
      const units = 9 - i - k - attenuationDb / 6
      const text = units < 1 ? 'not heard' : `${units >= 3 ? 5 : 2} by ${units}`
      const body = checkOf(m.id, linkId, text)
      return {
        ...asLogged(body, { id: `${m.id}${linkId}`, time: '', device: 'd', role: 'out there' }),
        attenuationDb,
      }
    }),
  )
const found = (attenuationDb = 0) => makeFindings(inputOf(plan, marks, reports(attenuationDb), true))

describe('what the levels say', () => {
  const plain = found()
  it('the slope of the field, 6 dB each 1.32 times as far, and a point for every report', () => {
    const { slope, points, groups } = plain.levels!
    expect(slope.low).toBeLessThan(6 / (10 * Math.log10(1.32)))
    expect(slope.high).toBeGreaterThan(4.5)
    expect(points).toHaveLength(24)
    expect(points.filter((p) => p.notHeard).every((p) => p.low === null)).toBe(true)
    expect(groups.map((g) => g.linkId)).toEqual(['A', 'B'])
  })
  it('quotes a reach at what is wanted and at 90, 50 and 10 in a hundred, each farther than the last', () => {
    const usable = plain.usable.filter((u) => u.linkId === 'A')
    expect(usable.map((u) => u.chance)).toEqual([0.9, 0.8, 0.5, 0.1])
    const far = usable.map((u) => u.reach.estimateM!)
    expect([...far].sort((x, y) => x - y)).toEqual(far)
  })
  it('an attenuator put in is taken out of levels and of reaches', () => {
    const weaker = found(12)
    const level = (f: typeof plain) => f.levels!.groups[0]!.line[0]!.level
    expect(Math.abs(level(weaker) - level(plain))).toBeLessThan(4)
    const half = (f: typeof plain) =>
      f.usable.find((u) => u.linkId === 'A' && u.chance === 0.5)!.reach.estimateM!
    // Two S-units in the path lose two marks, 1.32 squared; taken out by the slope they are got back.
    expect(half(weaker) / half(plain)).toBeGreaterThan(0.8)
    expect(half(weaker) / half(plain)).toBeLessThan(1.3)
  })
  it('a margin turned changes verdicts and no size', () => {
    const wide = makeFindings({ ...inputOf(plan, marks, reports(), true), marginDb: 40 })
    expect(wide.pairs[0]!.evened).toEqual(plain.pairs[0]!.evened)
    expect(wide.marginDb).toBe(40)
  })
  it('another copy rule leaves the lines as they are, and asks for another level', () => {
    const input = inputOf(plan, marks, reports(), true)
    const prepared = prepareFindings(input)
    const [usual, easier] = [3, 1].map(
      (minReadability) =>
        makeFindings({ ...input, copyRule: { ...input.copyRule, minReadability } }, prepared).levels!,
    )
    expect(easier!.groups.map((g) => g.line)).toEqual(usual!.groups.map((g) => g.line))
    expect(easier!.slope).toEqual(usual!.slope)
    expect(easier!.groups[0]!.needed.levelDb).toBeLessThan(usual!.groups[0]!.needed.levelDb - 1)
  })
  it('words that say nothing in dB have no levels', () => {
    const words = { ...plan, scales: { base: defaultScale('words'), out: defaultScale('words') } }
    const good = reports().map((c) => ({ ...c, text: 'good' }))
    expect(makeFindings(inputOf(words, marks, good, true)).levels).toBeNull()
  })
})
