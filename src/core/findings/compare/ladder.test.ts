import { describe, expect, it } from 'vitest'
import { simulateRun, ORDINARY_FIELD } from '@/core/sim'
import {
  inputOf,
  judgeClaim,
  judgeEdgeClaim,
  edgeClaimWords,
  claimWords,
  ladderOf,
  makeFindings,
  stepWords,
  USUAL_CHOICES,
  type UsableReach,
} from '..'
import { desk, link, logged, plan, rig } from '@/core/testing/plans'

const FIELD = { ...ORDINARY_FIELD, groundLossDb: 8, extraSlopeDb: 6, inWords: 0, seed: 6, gainDbi: {} }
const low = { ...desk, id: 'l', name: 'Low mast', antennaHeightM: 4 }
const high = { ...desk, id: 'h', name: 'High mast', antennaHeightM: 8 }
const joined = (base: typeof desk, out: ReturnType<typeof rig>) => ({
  ...link(out, base),
  id: `${out.id}${base.id}`,
})

describe('a ladder', () => {
  const steps = [joined(low, rig('a')), joined(high, rig('a')), joined(high, rig('b'))]
  const findings = (gain: number) => {
    const p = plan(steps, 20)
    return makeFindings(
      inputOf(p, p.marks, logged(simulateRun(p, { ...FIELD, gainDbi: { b: gain, a: 0 } })), true),
    )
  }
  it('says what each step brought, at its own end, with its margin', () => {
    const pairs = findings(7).pairs.filter((x) => x.scope === 'both')
    const words = ladderOf(steps, pairs).map(stepWords)
    expect(words).toHaveLength(2)
    expect(words[0]).toMatch(
      /^At the base, High mast instead of Low mast \(with Rig a\) brought \d\.\d dB \(\d/,
    )
    expect(words[1]).toMatch(/^Out there, Rig b instead of Rig a \(with High mast\) brought \d/)
  })
  it('says when it cannot tell, or when a step cost', () => {
    const pairs = findings(-8).pairs.filter((x) => x.scope === 'both')
    expect(stepWords(ladderOf(steps, pairs)[1]!)).toMatch(/ cost \d+\.\d dB \(\d/)
    const alike = findings(0).pairs.filter((x) => x.scope === 'both')
    expect(stepWords(ladderOf(steps, alike)[1]!)).toMatch(/cannot tell|perhaps|no difference/)
  })
  it('is none where one end only was changed, or both at once', () => {
    const one = [joined(high, rig('a')), joined(high, rig('b')), joined(high, rig('c'))]
    expect(ladderOf(one, findings(0).pairs)).toEqual([])
    expect(ladderOf([joined(low, rig('a')), joined(high, rig('b'))], findings(0).pairs)).toEqual([])
  })
})

describe('the reader’s choices', () => {
  const p = plan([link(rig('a', { powerW: 20 })), link(rig('b'))], 14)
  const checks = logged(simulateRun(p, { ...FIELD, gainDbi: { a: 0, b: 0 } }))
  const of = (choices: Partial<typeof USUAL_CHOICES>) =>
    makeFindings(inputOf(p, p.marks, checks, true, p.copyRule, { ...USUAL_CHOICES, ...choices }))
  const size = (f: ReturnType<typeof of>) => f.pairs.find((x) => x.scope === 'to base')!.evened!.estimate!
  it('even term by term', () => {
    expect(size(of({ evening: [] })) - size(of({}))).toBeCloseTo(10, 6)
    expect(of({ evening: [] }).pairs[0]!.takenOut[0]!.known).toEqual([])
    const tall = plan([link(rig('a', { antennaHeightM: 2.8 })), link(rig('b'))], 14)
    const input = inputOf(tall, tall.marks, checks, true, p.copyRule, {
      ...USUAL_CHOICES,
      evening: ['height'],
    })
    expect(makeFindings(input).pairs[0]!.takenOut[0]!.db).toBeCloseTo(6.02, 2)
  })
  it('leave checks, marks and legs out, each with its reason in the findings', () => {
    const found = of({
      leftOut: [
        { what: 'mark', id: 'm3', reason: 'a lorry in the way' },
        { what: 'check', id: checks.find((c) => c.markId === 'm1')!.id, reason: 'plug' },
      ],
    })
    expect(found.leftOut.map((l) => l.why)).toEqual([
      'by your choice: a lorry in the way',
      'by your choice: plug',
    ])
    expect(found.leftOut[1]!.checkIds).toHaveLength(1)
    expect(found.checks).toBe(checks.length)
    expect(found.pairs[0]!.points.some((x) => x.markId === 'm3')).toBe(false)
    expect(of({ leftOut: [{ what: 'leg', id: 'l', reason: 'wrong way' }] }).pairs[0]!.evened).toBeNull()
  })
  it('read every meter by another step', () => {
    // Below S9 every step counts for half; above it the meter's own figures stay.
    const [six, three] = [size(of({ evening: [] })), size(of({ evening: [], unitStepDb: 3 }))]
    expect(three / six).toBeGreaterThan(0.4)
    expect(three / six).toBeLessThan(0.99)
    const unknown = of({ unitStepDb: 'unknown' }).pairs[0]!.evened!
    const known = of({}).pairs[0]!.evened!
    expect(unknown.interval90.high - unknown.interval90.low).toBeGreaterThan(0)
    expect(known.estimate).not.toBe(unknown.estimate)
  })
})

describe('claims and facts', () => {
  const reach = (chance: number, lowM: number, estimateM: number, highM: number): UsableReach => ({
    linkId: 'a',
    chance,
    limitedBy: null,
    reach: {
      chance,
      estimateM,
      lowM,
      highM,
      seen: 'some copied',
      nearestM: 300,
      farthestM: 5000,
      extrapolated: false,
      marks: 12,
    },
  })
  const found = [reach(0.9, 1500, 2000, 2600), reach(0.5, 2700, 3100, 3600), reach(0.1, 3800, 4400, 5200)]
  it('against walks to the edge: by the reach to count on, by the median’s ends, or open', () => {
    const walked = { link: 'a', walks: 2, medianM: 2000, lowM: 1500, highM: 2600, surelyM: 1200 }
    expect(judgeEdgeClaim(1200, walked)).toBe('holds')
    expect(judgeEdgeClaim(1400, walked)).toBe('holds half the time')
    expect(judgeEdgeClaim(2000, walked)).toBe('cannot tell')
    expect(judgeEdgeClaim(4000, walked)).toBe('does not hold here')
    expect(judgeEdgeClaim(1400, { ...walked, highM: null })).toBe('holds half the time')
    expect(edgeClaimWords('Rig a', 4000, walked, 'metric')).toBe(
      'Rig a, claimed 4.0 km: does not hold here; found here: lost at about 2.0 km (1.5 km to 2.6 km).',
    )
  })
  it('hold, hold half the time, do not hold, or cannot be told', () => {
    expect(judgeClaim(1400, found, 0.9)).toBe('holds')
    expect(judgeClaim(2650, found, 0.9)).toBe('holds half the time')
    expect(judgeClaim(9000, found, 0.9)).toBe('does not hold here')
    expect(judgeClaim(4000, found, 0.9)).toBe('cannot tell')
    expect(claimWords('Rig a', 9000, found, 0.9, 'metric')).toBe(
      'Rig a, claimed 9.0 km: does not hold here; found here: about 2.0 km (1.5 to 2.6 km).',
    )
  })
  it('take "all copied" and "none copied" for what they are', () => {
    const seen = (what: 'all copied' | 'none copied') => [
      { ...found[0]!, reach: { ...found[0]!.reach, seen: what, lowM: null, highM: null } },
    ]
    expect(judgeClaim(4000, seen('all copied'), 0.9)).toBe('holds')
    expect(judgeClaim(8000, seen('all copied'), 0.9)).toBe('cannot tell')
    expect(judgeClaim(4000, seen('none copied'), 0.9)).toBe('does not hold here')
    expect(judgeClaim(200, seen('none copied'), 0.9)).toBe('cannot tell')
  })
})
