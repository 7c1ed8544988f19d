import { describe, expect, it } from 'vitest'
import { chanceOf, differenceDraws, posteriorOf, Reaches, slopeDraws } from './answers'
import { fitModel, type ModelFit } from './fit'
import type { ModelRule } from './margins'
import { CHECK_PRIORS, MODEL_PRIORS } from './priors'
import type { Call, ModelInput } from './reports'
import { aheadBy, aheadEverywhere, DRAWS_ERR } from './testing/ahead'
import { SAMPLING } from './spreadSampling'
import { testRun } from './testing/runs'

const RULE: ModelRule = { step: 3, levelDb: null, share: null, calls: 2 }
const together = (fit: ModelFit) =>
  posteriorOf(fit, differenceDraws(fit, 0, 1, [...fit.data.input.listeners.keys()]))
const reachesOf = (fit: ModelFit, rule = RULE) =>
  new Reaches(
    fit,
    fit.data.input.listeners.map(() => rule),
  )
const reach = (fit: ModelFit, link: number, p = 0.5, listener = 0) =>
  posteriorOf(fit, reachesOf(fit).oneWay(link, listener, p))

const moved = (call: Call, by: number): Call =>
  'lowerDb' in call ? { ...call, lowerDb: call.lowerDb + by, upperDb: call.upperDb + by } : call

describe('what the draws must agree on', () => {
  const run = testRun({ marks: 10, gainDb: [3, 0] })
  const fit = fitModel(run)

  it('the link that is better in a draw reaches farther in it, at every chance and under every rule', () => {
    for (const listener of [0, 1]) {
      const better = differenceDraws(fit, 0, 1, [listener])
      for (const read of [RULE, { ...RULE, step: 1, calls: 1 }, { ...RULE, step: 5 }].map((r) =>
        reachesOf(fit, r),
      ))
        for (const p of [0.9, 0.5, 0.1]) {
          const [a, b] = [0, 1].map((l) => read.oneWay(l, listener, p)) as [Float64Array, Float64Array]
          fit.draws.forEach((_, i) => expect(Math.sign(a[i]! - b[i]!)).toBe(Math.sign(better[i]!)))
        }
    }
  })

  it('both ways together reaches no farther than either, and less than the shorter where both are near', () => {
    const both = reachesOf(fit).bothWays(0, 0.9)
    const [a, b] = [0, 1].map((d) => reachesOf(fit).oneWay(0, d, 0.9)) as [Float64Array, Float64Array]
    fit.draws.forEach((_, i) => {
      const shorter = Math.min(a[i]!, b[i]!)
      expect(both[i]!).toBeLessThanOrEqual(shorter + 1e-9)
      expect(both[i]!).toBeGreaterThan(shorter - 0.15)
    })
  })

  it('the links’ names change signs and nothing else', () => {
    const swapped = fitModel({ ...run, reports: run.reports.map((r) => ({ ...r, link: 1 - r.link })) })
    const [a, b] = [together(fit), together(swapped)]
    // Two sets of draws of one posterior: within the error of some 500 effective draws.
    expect(b.mean).toBeCloseTo(-a.mean, 0)
    expect(Math.abs(b.mean + a.mean)).toBeLessThan(0.2 * a.sd)
    expect(Math.abs(b.above - (1 - a.above))).toBeLessThan(0.03)
  })

  it('7 dB more on every meter moves no difference and no reach', () => {
    const louder = fitModel({ ...run, reports: run.reports.map((r) => ({ ...r, call: moved(r.call, 7) })) })
    expect(together(louder).mean).toBeCloseTo(together(fit).mean, 6)
    expect(reach(louder, 0).q50).toBeCloseTo(reach(fit, 0).q50, 6)
  })

  it('twice all distances is twice all reaches', () => {
    const far: ModelInput = {
      ...run,
      marks: run.marks.map((m) => ({ ...m, distanceM: 2 * m.distanceM, alongM: 2 * m.alongM })),
    }
    const [ln, sd] = MODEL_PRIORS.lnShared
    const twice = fitModel(far, { priors: { ...MODEL_PRIORS, lnShared: [ln + Math.log(2), sd] } })
    // Rounding alone may give a draw to the next point of the spreads, which moves a median by a draw's width.
    expect(Math.abs(reach(twice, 1).q50 - reach(fit, 1).q50 - Math.log10(2))).toBeLessThan(1e-3)
    expect(Math.abs(together(twice).mean - together(fit).mean)).toBeLessThan(0.01)
  })

  it('a report counted twice is the report given twice', () => {
    const twice = { ...run, reports: run.reports.map((r) => ({ ...r, count: 2 })) }
    const given = { ...run, reports: run.reports.flatMap((r) => [r, r]) }
    expect(together(fitModel(twice))).toEqual(together(fitModel(given)))
  })

  it('the same log gives the same answer', () => {
    expect(together(fitModel(run))).toEqual(together(fit))
  })

  it('known power is taken out of the difference and left in the reach', () => {
    // A is told to have 10 dB more; its reports are what they were.
    const known = fitModel({
      ...run,
      knownDb: [
        [10, 10],
        [0, 0],
      ],
    })
    expect(together(known).mean).toBeCloseTo(together(fit).mean - 10, 0)
    expect(Math.abs(reach(known, 0).q50 - reach(fit, 0).q50)).toBeLessThan(0.03)
  })
})

describe('a rig that is copied wherever another is', () => {
  it('never reaches less far', () => {
    for (let seed = 1; seed <= 12; seed++) {
      const run = testRun({ marks: 8, listeners: 1, seed, words: true })
      // B says what A said, one step less.
      const reports = run.reports
        .filter((r) => r.link === 0)
        .flatMap((r) => [r, { ...r, link: 1, call: oneLess(r.call) }])
      const fit = fitModel({ ...run, reports })
      for (const p of [0.9, 0.5, 0.1]) expect(reach(fit, 0, p).q50).toBeGreaterThan(reach(fit, 1, p).q50)
      const better = differenceDraws(fit, 0, 1, [0])
      expect(chanceOf(fit, (i) => better[i]! > 0)).toBeGreaterThan(0.8)
    }
  })
})

const oneLess = (call: Call): Call =>
  call.kind !== 'step'
    ? call
    : call.step === 1
      ? { kind: 'not heard' }
      : { kind: 'step', step: call.step - 1 }

describe('logs that hardly say anything', () => {
  const every = (call: Call, of = testRun({ marks: 6 })): ModelInput => ({
    ...of,
    reports: of.reports.map((r) => ({ ...r, call })),
  })
  const S7: Call = { kind: 'step and strength', step: 4, lowerDb: -108, upperDb: -102 }
  const few = testRun({ marks: 1 })
  it.each<[string, ModelInput]>([
    ['all copied', every({ kind: 'step', step: 5 })],
    ['none heard', every({ kind: 'not heard' })],
    ['S7 throughout', every(S7)],
    ['one mark', few],
    ['one link', testRun({ marks: 6, links: 1 })],
    ['one direction', testRun({ marks: 5, listeners: 1 })],
    ['readability only', testRun({ marks: 5, words: true })],
    ['two marks, one report of each link', testRun({ marks: 2, listeners: 1 })],
    ['all from one distance', { ...few, marks: few.marks.map((m) => ({ ...m, distanceM: 1000 })) }],
  ])('%s: figures are finite, and no difference is known to 2 dB', (_, input) => {
    const fit = fitModel(input)
    const figures = [
      ...Object.values(posteriorOf(fit, slopeDraws(fit))),
      ...Object.values(reach(fit, 0, 0.9)),
      ...Object.values(reach(fit, 0, 0.1)),
    ]
    if (input.links > 1) {
      const d = together(fit)
      figures.push(...Object.values(d))
      if (!_.startsWith('S7')) expect(d.q95 - d.q05).toBeGreaterThan(2)
    }
    for (const v of figures) expect(Number.isFinite(v)).toBe(true)
  })

  it('says nothing of which is better where all is alike', () => {
    for (const call of [S7, { kind: 'not heard' } as Call, { kind: 'step', step: 5 } as Call]) {
      const d = together(fitModel(every(call)))
      expect(Math.abs(d.above - 0.5)).toBeLessThan(0.08)
    }
  })

  it('bends to 8 wins of 8 in words', () => {
    const marks = testRun({ marks: 8, listeners: 1, words: true })
    const reports = marks.reports.map((r) => ({
      ...r,
      call: { kind: 'step', step: r.link === 0 ? 5 : 3 } as Call,
    }))
    const d = together(fitModel({ ...marks, reports }))
    expect(d.above).toBeGreaterThan(0.975)
  })
})

describe('repeats', () => {
  it('30 readings of each rig at 8 marks find the 4 dB that are true', () => {
    const run = testRun({ marks: 8, listeners: 1, repeats: 30, display: true, gainDb: [4, 0], seed: 5 })
    const fit = fitModel(run)
    const d = together(fit)
    // Two links' own spread at 8 marks: 1.645 √(2 · 2² / 8) dB to either side at the least.
    expect(d.q05).toBeLessThan(4)
    expect(d.q95).toBeGreaterThan(4)
    expect(d.q95 - d.q05).toBeGreaterThan(2)
    expect(d.q95 - d.q05).toBeLessThan(7)
    expect(fit.quality.poor).toBe(false)
  })

  it('5,000 reports that are all the same give finite figures', () => {
    const run = testRun({ marks: 1, listeners: 1, display: true, steadyDb: -97 })
    const reports = run.reports.map((r) => ({ ...r, count: 5000 }))
    const d = together(fitModel({ ...run, reports }))
    for (const v of Object.values(d)) expect(Number.isFinite(v)).toBe(true)
    expect(d.q95 - d.q05).toBeGreaterThan(2)
  })
})

describe('bad input', () => {
  it('is refused with what is wrong', () => {
    const run = testRun({ marks: 2 })
    const one = run.reports[0]!
    const withReport = (more: object) => () => fitModel({ ...run, reports: [{ ...one, ...more }] })
    expect(withReport({ link: 7 })).toThrow('no mark 0, link 7 or listener 0')
    expect(withReport({ mark: 9 })).toThrow('no mark 9')
    expect(withReport({ call: { kind: 'step', step: 6 } })).toThrow('step 6 is none of 1 to 5')
  })

  it('no report at all is the prior, and says nothing', () => {
    const d = together(fitModel({ ...testRun({ marks: 3 }), reports: [] }, { priors: CHECK_PRIORS }))
    expect(Math.abs(d.mean)).toBeLessThan(3)
    // Two links of 10 dB, and at each listener of 1.5 dB: √(2 (10² + 1.5²/2)) = 14.3 dB.
    expect(d.sd).toBeGreaterThan(12)
    expect(d.sd).toBeLessThan(17)
  })
})

describe('a link copied wherever another is', () => {
  // A thousand of them: npm run held.
  it('never gets the shorter reach', () => {
    for (let seed = 1; seed <= 40; seed++)
      for (const lg of aheadBy(aheadEverywhere(seed))) expect(lg, `log ${seed}`).toBeGreaterThan(-DRAWS_ERR)
  })
})

describe('a log of thousands of different reports', () => {
  const run = testRun({ marks: 540, gainDb: [3, 0], seed: 3 })
  const fit = fitModel(run)

  it('has points and draws enough, and says what they are', () => {
    expect(fit.field.isLong).toBe(true)
    const { effectivePoints, effectiveDraws, paretoK, poor } = fit.quality
    expect(poor).toBe(false)
    expect(effectivePoints).toBeGreaterThan(40)
    expect(effectiveDraws).toBeGreaterThan(250)
    expect(paretoK).toBeLessThan(0.7)
    const { mean, sd } = together(fit)
    expect(Math.abs(mean - 3)).toBeLessThan(3 * sd)
  })

  it('is fitted alike from a part of it, from a fit of nearly the same, and with more points', () => {
    const ways = [fitModel(run, { near: fit }), fitModel(run, { sampling: SAMPLING, seed: 2 })]
    for (const other of ways) {
      const [a, b] = [together(fit), together(other)]
      expect(Math.abs(a.mean - b.mean)).toBeLessThan(0.25 * a.sd)
      expect(b.sd / a.sd).toBeGreaterThan(0.85)
      expect(b.sd / a.sd).toBeLessThan(1.18)
      expect(Math.abs(reach(other, 1).q50 - reach(fit, 1).q50)).toBeLessThan(0.3 * reach(fit, 1).sd)
    }
  })
})
