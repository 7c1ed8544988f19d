import { describe, expect, it } from 'vitest'
import { differenceDraws, posteriorOf } from '@/core/model/answers'
import { direct } from '@/core/geo'
import { linkKey, type ExpectedLevel } from '@/core/reach'
import { agreeing } from '@/core/reach/correction/agree'
import { elementOf, type Correction } from '@/core/reach/correction/correction'
import { learnCorrection } from '@/core/reach/correction/learnCorrection'
import { cholesky } from '@/core/stats/numeric/cholesky'
import { seededRandom } from '@/core/stats'
import { linksApart } from '@/core/testing/linksApart'
import { checkOf, link, logged, mark, planWith, rig } from '@/core/testing/plans'
import type { LoggedCheck } from '@/core/trial'
import { correctionOf } from './correctionOf'
import { readChecks, inputOf } from './input'
import { fitJoint } from './joint/jointFit'
import { seenMargins } from './seenMargins'

const BASE = { lat: 47.3, lon: -29.55 }
const links = [link(rig('A')), link(rig('B'))]
const WAYS = ['to base', 'from base'] as const
const marks = Array.from({ length: 14 }, (_, i) => {
  const distanceM = 300 * (i + 1)
  return mark(`m${i}`, distanceM, { ...direct(BASE, 60, distanceM), bearingDeg: 60 })
})
const plan = planWith({ links, marks, directions: [...WAYS] })
const predictedDb = (distanceM: number) => 24 - 38 * Math.log10(distanceM / 800)
const expected = marks.flatMap((m) =>
  links.flatMap((l) =>
    WAYS.map((direction): ExpectedLevel => {
      const marginDb = predictedDb(m.distanceM)
      return {
        ...{ markId: m.id, key: linkKey(l), direction, marginDb },
        levelDbm: marginDb - 110,
        chance: 0.5,
      }
    }),
  ),
)

/** A day on which B lies some dB over A, with a spread of its own at each mark. */
function day(seed: number, overDb: number, ownDb: number) {
  const random = seededRandom(seed)
  return logged(
    marks.flatMap((m) => {
      const ground = 5 * random.normal()
      return links.flatMap((l, i) => {
        const own = i * overDb + ownDb * random.normal()
        return WAYS.flatMap((direction) => {
          const over = predictedDb(m.distanceM) - 6 + ground + own + 2.5 * random.normal()
          const [readable, units] = [1 + Math.floor(over / 4.5), Math.round(5 + over / 6)]
          const text =
            readable < 1 ? 'not heard' : `${Math.min(5, readable)} by ${Math.max(1, Math.min(9, units))}`
          return checkOf(m.id, l.id, text, { direction })
        })
      })
    }),
  )
}

type Over = ReturnType<typeof overOf>
const groundOf = (logged: ExpectedLevel[]) => ({
  ...{ baseGroundM: 0, baseAntennaM: 8, legs: [], correctedBy: null },
  expected: logged,
})

/** By how much B lies over A, by what corrects the prediction, dB. */
const overOf = (c: Correction, direction: (typeof WAYS)[number]) =>
  linksApart(c, linkKey(links[1]!), linkKey(links[0]!), direction)

/** The same by the findings' model. */
function jointOver(checks: LoggedCheck[], listener: number) {
  const input = inputOf(plan, marks, checks, true)
  const { fit } = fitJoint(input, readChecks(input).checks)!
  return posteriorOf(fit, differenceDraws(fit, 1, 0, [listener], true))
}

describe('what the findings say of links, and what the map of reach takes of them', () => {
  it.each([
    [1, 4, 1],
    [2, 0, 2],
    [3, -5, 3],
    [4, 2, 4],
  ])('are one posterior: day %s, B %s dB over A, %s dB of their own at a mark', (seed, overDb, ownDb) => {
    const checks = day(seed, overDb, ownDb)
    const c = correctionOf([{ input: inputOf(plan, marks, checks, true), ground: groundOf(expected) }])!
    WAYS.forEach((direction, listener) => {
      const [joint, map] = [jointOver(checks, listener), overOf(c, direction)]
      expect(map.mean).toBeCloseTo(joint.mean, 2)
      expect(map.sd).toBeCloseTo(joint.sd, 1)
    })
  })

  it('two runs know more than either, and lie between them', () => {
    const [one, two] = [day(11, 3, 2), day(12, 3, 2)]
    const told = (checks: LoggedCheck[]) => ({
      input: inputOf(plan, marks, checks, true),
      ground: groundOf(expected),
    })
    const [a, b, both] = [[told(one)], [told(two)], [told(one), told(two)]].map((t) =>
      overOf(correctionOf(t)!, 'to base'),
    ) as [Over, Over, Over]
    expect(both.sd).toBeLessThan(Math.min(a.sd, b.sd))
    expect(both.mean).toBeGreaterThan(Math.min(a.mean, b.mean))
    expect(both.mean).toBeLessThan(Math.max(a.mean, b.mean))
  })

  it('where the prediction tells links apart by as much as the log does, nothing is off', () => {
    const checks = day(5, 6, 1)
    const apart = expected.map((e) => (e.key === linkKey(links[1]!) ? { ...e, marginDb: e.marginDb + 6 } : e))
    const c = correctionOf([{ input: inputOf(plan, marks, checks, true), ground: groundOf(apart) }])!
    const { mean } = overOf(c, 'to base')
    expect(mean).toBeCloseTo(jointOver(checks, 0).mean - 6, 2)
    expect(Math.abs(mean)).toBeLessThan(3)
  })

  it('what else is learnt stays: covariances hold, and places keep their shadowing', () => {
    const checks = day(7, 3, 2)
    const input = inputOf(plan, marks, checks, true)
    const before = learnCorrection(seenMargins(input, { expected }))!
    const after = correctionOf([{ input, ground: groundOf(expected) }])!
    const at = elementOf(after.covariance)
    const whole = after.covariance.map((_, i) => after.covariance.map((__, j) => at(i, j)))
    expect(cholesky(whole).every((row, i) => row[i]! > 0)).toBe(true)
    const first = after.mean.length - after.places.length
    after.mean.slice(first).forEach((v, i) => expect(Math.abs(v - before.mean[first + i]!)).toBeLessThan(1.5))
    // What says nothing of links leaves all as it is.
    expect(agreeing(before, [])).toBe(before)
  })
})
