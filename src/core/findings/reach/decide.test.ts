import { describe, expect, it } from 'vitest'
import type { Link } from '@/core/kit'
import type { Reach } from '@/core/reach'
import { decide, decisionWords, trendWords, type Burden, type Findings, type JudgedPair, type Need } from '..'

const link = (id: string) =>
  ({ id, letter: id, name: `Rig ${id}`, base: { id: 'z' }, out: { id: `out ${id}` } }) as Link
const reach = (change: Partial<Reach>, chance = 0.9): Reach => ({
  chance,
  estimateM: 2000,
  lowM: 1500,
  highM: 2600,
  seen: 'some copied',
  nearestM: 300,
  farthestM: 5000,
  extrapolated: false,
  marks: 16,
  ...change,
})
/** Findings of one reach a link at 0.9, and one at 0.1, and the chance of each to meet the need. */
const findings = (at: Record<string, [Reach, Reach?]>, need: Record<string, number> = {}) =>
  ({
    need: Object.entries(need).map(([linkId, chance]) => ({ linkId, chance })),
    usable: Object.entries(at).map(([linkId, [r]]) => ({ linkId, chance: 0.9, limitedBy: null, reach: r })),
    reaches: Object.entries(at).map(([linkId, [r, far]]) => ({
      linkId,
      direction: 'to base',
      reaches: far ? [r, far] : [r],
    })),
  }) as unknown as Findings
const answersTo = (
  need: Partial<Need>,
  at: Record<string, [Reach, Reach?]>,
  burdens: Record<string, Partial<Burden>> = {},
  chances: Record<string, number> = {},
) =>
  decide(
    findings(at, chances),
    Object.keys(at).map(link),
    { floorM: null, ceilingM: null, reliability: 0.9, ...need },
    new Map(
      Object.entries(burdens).map(([id, b]) => [
        `out ${id}`,
        { wornMm: null, weightG: null, price: null, powerW: 2, ...b },
      ]),
    ),
    'metric',
  )
const met = (need: Partial<Need>, r: Reach, far?: Reach) =>
  answersTo(need, { a: far ? [r, far] : [r] })[0]!.met

describe('an area that is to be covered', () => {
  /** Ten places, a kilometre apart. */
  const bay = { name: 'the bay', distancesM: Array.from({ length: 10 }, (_, i) => 400 + 400 * i) }
  const told = (r: Reach) => answersTo({ area: bay }, { a: [r] })[0]!

  it('is covered where its farthest place is within reach, and its share is said with the margin', () => {
    expect(told(reach({ estimateM: 5000, lowM: 4200, highM: null }))).toMatchObject({
      met: 'meets it',
      why: 'about 100 % of the bay lies within its reach 9 times in 10',
    })
    expect(told(reach({}))).toMatchObject({
      met: 'falls short',
      why: 'about 50 % of the bay (30 to 60) lies within its reach 9 times in 10',
    })
    expect(told(reach({ highM: 9000 })).met).toBe('cannot tell')
  })

  it('with nothing copied, all copied and too few marks nothing is claimed', () => {
    expect(told(reach({ seen: 'none copied', estimateM: null, lowM: null, highM: 300 })).why).toContain(
      'about 0 % of the bay lies',
    )
    expect(
      told(reach({ seen: 'all copied', estimateM: null, lowM: 1700, highM: null, farthestM: 2500 })),
    ).toMatchObject({
      met: 'cannot tell',
      why: 'about 60 % of the bay (40 to 100) lies within its reach 9 times in 10',
    })
    expect(told(reach({ seen: 'too few marks', estimateM: null }))).toMatchObject({
      met: 'cannot tell',
      why: 'what was tested does not settle the bay',
    })
  })

  it('beside a distance the worse of the two stands', () => {
    const both = (floorM: number) =>
      answersTo({ area: bay, floorM }, { a: [reach({ estimateM: 5000, lowM: 4200, highM: 6000 })] })[0]!.met
    expect([both(4100), both(4800), both(7000)]).toEqual(['meets it', 'seems to meet it', 'falls short'])
  })
})

describe('a need held against a reach', () => {
  it.each<[string, number, Partial<Reach>, string]>([
    ['the margin holds it', 1400, {}, 'meets it'],
    ['only the estimate holds it', 1800, {}, 'seems to meet it'],
    ['the margin is all short of it', 3000, {}, 'falls short'],
    ['between estimate and margin', 2300, {}, 'cannot tell'],
    ['all copied, beyond it', 4000, { seen: 'all copied', estimateM: null, highM: null }, 'seems to meet it'],
    ['all copied, short of it', 9000, { seen: 'all copied', estimateM: null, highM: null }, 'cannot tell'],
    ['none copied', 400, { seen: 'none copied', estimateM: null, lowM: null }, 'falls short'],
    [
      'none copied and nothing tried so near',
      200,
      { seen: 'none copied', estimateM: null, lowM: null },
      'cannot tell',
    ],
    ['three marks', 1000, { seen: 'too few marks', estimateM: null, lowM: null, highM: null }, 'cannot tell'],
  ])('%s', (_what, floorM, change, answer) => expect(met({ floorM }, reach(change))).toBe(answer))

  it.each<[string, Partial<Reach>, string]>([
    ['quiet beyond it', { estimateM: 3000, lowM: 2600, highM: 3500 }, 'meets it'],
    ['still heard beyond it', { estimateM: 6000, lowM: 4500, highM: 8000 }, 'heard too far'],
    ['not settled', { estimateM: 4000, lowM: 3000, highM: null }, 'seems to meet it'],
    ['copied at every mark, the last beyond it', { seen: 'all copied', estimateM: null }, 'heard too far'],
  ])('a ceiling of 4 km: %s', (_what, far, answer) =>
    expect(met({ floorM: 1000, ceilingM: 4000 }, reach({}), reach(far, 0.1))).toBe(answer),
  )
  it('nothing needed is nothing to answer', () => {
    expect(answersTo({}, { a: [reach({})] })).toEqual([])
    expect(decisionWords([], String, 'metric')).toBe('')
  })
})

describe('which one', () => {
  const name = (id: string) => `Rig ${id}`
  const far = reach({ estimateM: 4000, lowM: 3300, highM: 4800 })
  it('is the least burdensome of those that meet it: what is worn before weight, what is known before what is not', () => {
    const answers = answersTo(
      { floorM: 1400 },
      { a: [far], b: [reach({})], c: [far], d: [reach({ highM: 900, lowM: 600, estimateM: 700 })] },
      {
        a: { wornMm: 400 },
        b: { wornMm: 160, weightG: 300 },
        c: { wornMm: 160, weightG: 260 },
        d: { wornMm: 10 },
      },
    )
    expect(answers.map((a) => a.linkId)).toEqual(['c', 'b', 'a', 'd'])
    expect(decisionWords(answers, name, 'metric')).toBe(
      'Rig c is the least that meets the need; Rig b and Rig a would too.',
    )
    expect(answers[0]!.why).toBe('copied to 1.4 km 9 times in 10, surely 3.3 km')
  })
  it.each<[string, number, Record<string, [Reach]>, string]>([
    ['one', 3000, { a: [far], b: [reach({})] }, 'Only Rig a surely meets the need.'],
    ['none surely', 1800, { a: [reach({})] }, 'None surely meets the need; Rig a seems to.'],
    ['none at all', 6000, { a: [far], b: [reach({})] }, 'None of them meets the need.'],
    ['nobody knows', 2300, { a: [reach({})] }, 'What was tested does not settle the need.'],
  ])('in a sentence: %s', (_what, floorM, at, words) =>
    expect(decisionWords(answersTo({ floorM }, at), name, 'metric')).toBe(words),
  )
  it('with the chance of each, and what the likelier one costs over the other', () => {
    const answers = answersTo(
      { floorM: 1800 },
      { a: [reach({})], b: [far] },
      { a: { wornMm: 120, weightG: 250 }, b: { wornMm: 300, weightG: 290 } },
      { a: 0.61, b: 0.94 },
    )
    expect(decisionWords(answers, name, 'metric')).toBe(
      'Only Rig b surely meets the need. Rig b meets it with 94 chances of 100, Rig a with 61; Rig b is 18 cm longer and 40 g heavier than Rig a.',
    )
  })
})

describe('whether it flips, in a sentence', () => {
  const lg = Math.log10
  const said = (trend: object | null) =>
    trendWords({ a: 'a', b: 'b', trend } as unknown as JudgedPair, (id) => `Rig ${id}`, 'metric')
  const band = (near: number, far: number) => [
    { x: lg(300), median: near, low: near - 2, high: near + 2 },
    { x: lg(6000), median: far, low: far - 2, high: far + 2 },
  ]
  it('a crossing with its margin, and who leads where', () => {
    expect(
      said({
        band: band(-4, 5),
        crossing: { x: lg(1100), low: lg(800), high: lg(1600) },
        slope95: { low: 2, high: 9 },
      }),
    ).toBe('They change places: Rig b is ahead near the base, Rig a beyond about 1.1 km (800 m to 1.6 km).')
  })
  it('a lead that changes for sure, with no flip', () => {
    expect(said({ band: band(1, 6), crossing: null, slope95: { low: 1, high: 8 } })).toBe(
      'The lead of Rig a changes with distance: +1.0 dB at 300 m, +6.0 dB at 6.0 km. No flip is sure inside what was tested, 300 m to 6.0 km.',
    )
    expect(said({ band: band(-1, -6), crossing: null, slope95: { low: -8, high: -1 } })).toContain(
      'The lead of Rig b changes with distance: +1.0 dB',
    )
  })
  it('none inside what was tested, and too little to say', () => {
    expect(said({ band: band(1, 2), crossing: null, slope95: { low: -3, high: 5 } })).toBe(
      'No flip inside what was tested, 300 m to 6.0 km.',
    )
    expect(said(null)).toMatch(/^Too few marks/)
  })
})
