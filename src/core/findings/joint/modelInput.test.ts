import { readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import Papa from 'papaparse'
import { describe, expect, it } from 'vitest'
import { cutDraws, differenceDraws, posteriorOf, Reaches, slopeDraws } from '@/core/model/answers'
import { fitModel, type ModelFit } from '@/core/model/fit'
import { CHECK_PRIORS, type Spreads } from '@/core/model/priors'
import { SAMPLING } from '@/core/model/spreadSampling'
import type { Direction } from '@/core/kit'
import { defaultScale, USUAL_COPY_RULE, type CopyRule, type Scale } from '@/core/reports'
import { checkOf, link, logged, mark, planWith, rig } from '@/core/testing/plans'
import type { LoggedCheck, TrialPlan } from '@/core/trial'
import { inputOf, readChecks } from '../input'
import { jointInput, ruleAt } from './modelInput'

interface Expected {
  links: string[]
  directions: Direction[]
  /** Mean, sd, then the 5, 50, 95, 2.5 and 97.5 % points and the chance above nought. */
  posterior: Record<string, [number, number, number, number, number, number, number, number]>
}

/** The check data were worked out in dBm, a log is read in dB over S9. */
const S9_DBM = -93
/** More points than a page waits for. */
const FINE = { priors: CHECK_PRIORS, draws: 4000, sampling: { ...SAMPLING, first: 300, second: 500 } }

const checkFile = (name: string) =>
  readFileSync(fileURLToPath(new URL(`./testing/check/${name}`, import.meta.url)), 'utf8')

const jointOf = (plan: TrialPlan, checks: LoggedCheck[], rule: CopyRule = USUAL_COPY_RULE) => {
  const input = inputOf(plan, plan.marks, checks, true, rule)
  return jointInput(input, readChecks(input).checks)
}

/** A day of the check data, as a log. */
function dayOf(name: string) {
  const expected = JSON.parse(checkFile(`${name}.expected.json`)) as Expected
  const { data } = Papa.parse<Record<string, string>>(checkFile(`${name}-checks.csv`), {
    header: true,
    skipEmptyLines: true,
  })
  const kit = JSON.parse(checkFile(`${name}-kit.json`)) as { base: { lat: number } }
  const names = [...new Set(data.map((r) => r.mark!))]
  const plan = planWith({
    links: expected.links.map((id) => link(rig(id))),
    marks: names.map((id) => {
      const north = Number(data.find((r) => r.mark === id)!.lat) - kit.base.lat
      // One degree along the meridian there is 111.2 km.
      const distanceM = Math.round(north * 111_200)
      return mark(id, distanceM, { alongM: distanceM })
    }),
    directions: expected.directions,
  })
  const checks = data.map((r) =>
    checkOf(r.mark!, r.rig!, r.report!, { direction: r.direction as Direction, calls: Number(r.tries) }),
  )
  // Times would bring in a drift, which the check data were worked out without.
  return { expected, plan, checks: logged(checks).map((c) => ({ ...c, time: '' })) }
}

/**
 * Five days and what exact importance sampling with 2,600 points of the spreads finds in them, made by another program
 * of another hand for this purpose; the tolerances are those stated with them.
 */
describe.each([
  'twelve-marks',
  'six-marks-four-repeats',
  'drop-outs-one-direction',
  'three-links',
  'calls-missed',
])('the day %s', (name) => {
  const { expected, plan, checks } = dayOf(name)
  const joint = jointOf(plan, checks)
  const usual = fitModel(joint.model, { priors: CHECK_PRIORS })
  const fine = fitModel(joint.model, FINE)
  const { links, directions } = expected
  const rules = joint.readers.map((r) => ruleAt(USUAL_COPY_RULE, r, null))

  /** Differences, slope, cuts and reaches by their names in the check data. */
  const answersOf = (fit: ModelFit) => {
    const found = new Map<string, ArrayLike<number>>([['n', slopeDraws(fit)]])
    links.forEach((_, a) =>
      links.slice(a + 1).forEach((__, k) => {
        const b = a + 1 + k
        directions.forEach((___, d) => found.set(`d${a}${b}_${d}`, differenceDraws(fit, a, b, [d])))
        found.set(`d${a}${b}_both`, differenceDraws(fit, a, b, [...directions.keys()]))
      }),
    )
    const read = new Reaches(fit, rules)
    directions.forEach((_, d) => found.set(`c3_${d}`, cutDraws(fit, d, 3)))
    links.forEach((_, l) =>
      [90, 50, 10].forEach((p) => {
        directions.forEach((__, d) => found.set(`r${l}_${d}_${p}`, read.oneWay(l, d, p / 100)))
        if (directions.length > 1) found.set(`u${l}_${p}`, read.bothWays(l, p / 100))
      }),
    )
    return found
  }

  /** How far an answer's mean and ends are from what is expected, in its standard deviations. */
  const off = (fit: ModelFit, key: string, draws: ArrayLike<number>) => {
    const shift = key.startsWith('c3') ? -S9_DBM : 0
    const [mean, sd, low, , high] = expected.posterior[key]!
    const p = posteriorOf(fit, draws)
    return {
      mean: Math.abs(p.mean - mean - shift) / sd,
      ends: Math.max(Math.abs(p.q05 - low - shift), Math.abs(p.q95 - high - shift)) / sd,
    }
  }

  it.each([
    ['with many points', fine, 0.15, 0.4],
    ['with as many as a page waits for', usual, 0.25, 0.85],
  ])('has its differences, slope, cuts and reaches %s', (_, fit, mean, ends) => {
    const found = answersOf(fit)
    const known = [...found].filter(([key]) => key in expected.posterior)
    expect(known.length).toBeGreaterThan(8)
    for (const [key, draws] of known) {
      // Both ways together they were made with a part of the model left out.
      const more = key.startsWith('u') ? 0.4 : 0
      expect(off(fit, key, draws).mean, `mean of ${key}`).toBeLessThan(mean + more)
      expect(off(fit, key, draws).ends, `ends of ${key}`).toBeLessThan(ends + more)
    }
  })

  it('has its spreads', () => {
    const spread = (key: keyof Spreads) => fine.draws.map((d) => fine.points[d.point]!.spreads[key])
    const spreads: [string, ArrayLike<number>][] = [
      ['ss', spread('groundDb')],
      ['su', spread('ownDb')],
      ['se', spread('callDb')],
      ['tau', spread('cutDb')],
      ['Dc', spread('sharedM')],
      ['pi', spread('lapse')],
    ]
    for (const [key, draws] of spreads) {
      expect(off(fine, key, draws).mean, `mean of ${key}`).toBeLessThan(0.25)
      expect(off(fine, key, draws).ends, `ends of ${key}`).toBeLessThan(0.7)
    }
  })

  it('says that its draws are good', () => {
    expect(usual.quality.slower).toBe(false)
    expect(usual.quality.effectiveDraws).toBeGreaterThan(300)
  })
})

describe('how a log goes into the model', () => {
  const links = ['a', 'b'].map((id) => link(rig(id)))
  const marks = [300, 600, 900, 1200].map((d) => mark(`m${d}`, d))
  const planOf = (scale: Scale, more: Partial<TrialPlan> = {}) =>
    planWith({ links, marks, scales: { base: scale, out: scale }, ...more })
  const callsOf = (scale: Scale, texts: readonly string[], calls = 1) =>
    jointOf(
      planOf(scale),
      logged(texts.map((t, i) => checkOf(`m${300 * (1 + (i % 4))}`, i < 4 ? 'a' : 'b', t, { calls }))),
    ).model.reports.map((r) => [r.call, r.count])

  it('every call is one: a report on the third is two that went unheard and it', () => {
    expect(callsOf(defaultScale('readability-strength'), ['4 by 7'], 3)).toEqual([
      [{ kind: 'not heard' }, 2],
      [{ kind: 'step and strength', step: 4, lowerDb: -15, upperDb: -9 }, 1],
    ])
    expect(callsOf(defaultScale('readability-strength'), ['nothing heard'], 2)).toEqual([
      [{ kind: 'not heard' }, 2],
    ])
  })

  it('the lowest mark of a meter is open below, full scale above', () => {
    const [low, full] = callsOf(defaultScale('readability-strength'), ['2 by 1', '5 by 9+60'])
    expect(low![0]).toMatchObject({ lowerDb: -Infinity, upperDb: -45 })
    expect(full![0]).toMatchObject({ lowerDb: 55, upperDb: Infinity })
  })

  it('words alone, digits alone, counts and levels each go in as what they say', () => {
    expect(callsOf(defaultScale('readability'), ['broken'])).toEqual([[{ kind: 'step', step: 2 }, 1]])
    expect(callsOf(defaultScale('words'), ['fair'])).toEqual([[{ kind: 'step', step: 2 }, 1]])
    expect(callsOf(defaultScale('heard'), ['yes'])).toEqual([[{ kind: 'step', step: 1 }, 1]])
    expect(callsOf(defaultScale('count'), ['3 of 5'])).toEqual([[{ kind: 'share', k: 3, n: 5 }, 1]])
    expect(callsOf(defaultScale('level'), ['-97 dBm'])).toEqual([
      [{ kind: 'strength', lowerDb: -97.5, upperDb: -96.5 }, 1],
    ])
  })

  it('bare figures are an order: what lies higher is a higher step', () => {
    const steps = callsOf(defaultScale('bare'), ['20', '35', '35', '70']).map(
      ([call]) => (call as { step: number }).step,
    )
    expect(steps).toEqual([1, 2, 2, 3])
  })

  it('an attenuator in the way out there is known', () => {
    const checks = logged([checkOf('m300', 'a', '5 by 9')]).map((c) => ({ ...c, attenuationDb: 10 }))
    expect(jointOf(planOf(defaultScale('readability-strength')), checks).model.reports[0]!.offsetDb).toBe(-10)
  })

  it('one place: rounds stand in for marks, and distance is out of it', () => {
    const checks = [0, 1, 2].flatMap((repeat) =>
      ['a', 'b'].map((l) => checkOf('m600', l, '-90 dBm', { repeat })),
    )
    const joint = jointOf(planOf(defaultScale('level')), logged(checks))
    expect(joint.onePlace).toBe(true)
    expect(joint.model.marks).toHaveLength(3)
    expect(joint.model.reports.map((r) => r.mark)).toEqual([0, 0, 1, 1, 2, 2])
  })

  it('what cannot be read, and what says nothing, is named', () => {
    const joint = jointOf(
      planOf(defaultScale('readability-strength')),
      logged([checkOf('m300', 'a', 'gibberish'), checkOf('m300', 'b', '5 by 9')]),
    )
    expect(joint.unused).toEqual(['c0'])
  })

  it('asks each scale its own threshold in the model too, and nothing of another', () => {
    const at = (scale: Scale, text: string, change: Partial<CopyRule> = {}) => {
      const [reader] = jointOf(planOf(scale), logged([checkOf('m300', 'a', text)])).readers
      const { step, levelDb } = ruleAt({ ...USUAL_COPY_RULE, ...change }, reader!, null)
      return { step, levelDb }
    }
    expect(at(defaultScale('readability'), '1')).toEqual({ step: 3, levelDb: null })
    expect(at(defaultScale('level'), '-90')).toEqual({ step: 1, levelDb: null })
    expect(at(defaultScale('level'), '-90', { minLevel: -110 })).toEqual({ step: 1, levelDb: -110 })
    expect(at(defaultScale('words'), 'fair')).toEqual({ step: 1, levelDb: null })
    expect(at(defaultScale('words'), 'fair', { minWord: 2 })).toEqual({ step: 2, levelDb: null })
    // S5 of a meter of 6 dB a step begins at S9 - 4 steps - half a step.
    expect(at(defaultScale('strength'), 'S7', { minFigure: 5 })).toEqual({ step: 1, levelDb: -27 })
    const bars: Scale = { kind: 'bare', unit: 'bars', bottom: 0, top: 5, words: [] }
    expect(at(bars, '3', { minFigure: 4 })).toEqual({ step: 5, levelDb: null })
  })
})
