import { describe, expect, it } from 'vitest'
import { direct } from '@/core/geo'
import { linkKey, type ExpectedLevel } from '@/core/reach'
import { normalCdf } from '@/core/stats/numeric/normal'
import { checkOf, link, logged, mark, planWith, rig } from '@/core/testing/plans'
import { plannedChecks, type LoggedCheck } from '@/core/trial'
import { fieldForecast, forecastSpreads, type ForecastAsk, type ForecastBasis } from './fieldForecast'
import { inputOf } from './input'
import { seenMargins } from './seenMargins'
import { forecastKey } from './forecast'
import { tellsMost } from './tellsMost'

const BASE = { lat: 47.3, lon: -29.55 }
const [A, B] = [link(rig('A')), link(rig('B'))]
const marks = Array.from({ length: 8 }, (_, i) => {
  const distanceM = 400 * (i + 1)
  return mark(`m${i}`, distanceM, { ...direct(BASE, 60, distanceM), bearingDeg: 60 })
})
const plan = planWith({ links: [A, B], marks, directions: ['to base', 'from base'] })
/** Falls by 40 dB in ten times the distance; B 3 dB over A. */
const marginOf = (distanceM: number, key: string) =>
  20 - 40 * Math.log10(distanceM / 800) + (key === linkKey(B) ? 3 : 0)
const expected = marks.flatMap((m) =>
  [A, B].flatMap((l) =>
    plan.directions.map((direction): ExpectedLevel => {
      const marginDb = marginOf(m.distanceM, linkKey(l))
      return {
        ...{ markId: m.id, key: linkKey(l), direction, marginDb },
        levelDbm: marginDb - 110,
        chance: normalCdf(marginDb / 8),
      }
    }),
  ),
)
const basis: ForecastBasis = { expected, seen: [], learnt: null }
const ask = (checks: LoggedCheck[], more: Partial<ForecastAsk> = {}): ForecastAsk => {
  const made = new Set(checks.map((c) => `${c.markId} ${c.linkId} ${c.direction}`))
  const open = plannedChecks(plan, marks).filter((c) => !made.has(`${c.markId} ${c.linkId} ${c.direction}`))
  return { basis, plan, marks, checks, open, hereId: null, ...more }
}
const of = (asked: ForecastAsk) => fieldForecast(asked, forecastSpreads(asked, null).spreads)
const bothWays = (markId: string, linkId: string, text: string) =>
  plan.directions.map((direction) => checkOf(markId, linkId, text, { direction }))

describe('what a device expects of the rest of its run', () => {
  it('says nothing before anything was heard, or where nothing was predicted', () => {
    expect(of(ask([]))).toBeNull()
    const one = logged(bothWays('m0', 'A', '59'))
    expect(of(ask(one, { basis: { ...basis, expected: [] } }))).toBeNull()
  })

  it('expects less of what is left once a mark that should have been heard was silent, and counts its checks', () => {
    const alone = normalCdf(marginOf(1600, linkKey(A)) / 8)
    const silent = of(ask(logged(bothWays('m2', 'A', 'not heard'))))!
    const heard = of(ask(logged(bothWays('m2', 'A', '57'))))!
    const at = forecastKey('m3', 'A')
    expect([silent.checks, silent.ofRun]).toEqual([2, 2])
    expect(silent.chances[at]).toBeLessThan(alone - 0.1)
    expect(heard.chances[at]).toBeGreaterThan(silent.chances[at]! + 0.2)
    // The other rig learns from it as well, less than the one that was silent.
    const other = forecastKey('m3', 'B')
    expect(silent.chances[other]).toBeLessThan(heard.chances[other]!)
  })

  it('what another run said counts as if it had been logged here', () => {
    const checks = logged([...bothWays('m2', 'A', 'not heard'), ...bothWays('m5', 'B', 'not heard')])
    const seen = seenMargins(inputOf(plan, marks, checks, false), basis)
    const here = of(ask(checks))!
    const there = of(ask([], { basis: { ...basis, seen } }))!
    expect(there.chances).toEqual(here.chances)
    expect([there.checks, there.ofRun]).toEqual([4, 0])
  })

  it('a check that was voided says nothing', () => {
    const checks = logged([...bothWays('m2', 'A', 'not heard'), ...bothWays('m3', 'A', '57')])
    const voided = checks.map((c, i) => (i < 2 ? { ...c, voided: { reason: 'wrong lead' } } : c))
    expect(of(ask(voided))!.chances).toEqual(of(ask(checks.slice(2)))!.chances)
  })

  it('a loop needs both ways', () => {
    const looped = planWith({ ...plan, directions: ['to base', 'loop'] })
    const checks = logged([checkOf('m2', 'A', '55')])
    const { chances } = of(ask(checks, { plan: looped }))!
    expect(chances[forecastKey('m4', 'A')]).toBeLessThan(of(ask(checks))!.chances[forecastKey('m4', 'A')]!)
  })
})

describe('the check that tells most', () => {
  const checks = logged([...bothWays('m0', 'A', '59'), ...bothWays('m0', 'B', '59')])

  it('is one that is still to be made, where the outcome is in doubt, not where it is sure', () => {
    const { worth } = of(ask(checks))!
    const [best] = worth
    expect(checks.map((c) => c.markId)).not.toContain(best!.markId)
    const last = worth.findIndex((w) => w.markId === 'm1')
    expect(last).toBeGreaterThan(0)
    expect(new Set(worth.map((w) => `${w.markId} ${w.linkId} ${w.direction}`)).size).toBe(worth.length)
  })

  it('counts the walk there: from the mark where one stands a near one gains on a far one', () => {
    const at = (hereId: string | null) => {
      const { worth } = of(ask(checks, { hereId }))!
      return (id: string) => worth.find((w) => w.markId === id && w.linkId === 'A')!.perMinute
    }
    const [atBase, atFirst] = [at(null), at('m1')]
    // The farthest that would tell anything.
    const far = ['m7', 'm6', 'm5', 'm4'].find((id) => atBase(id) > 0 && atFirst(id) > 0)!
    expect(atFirst('m2') / atFirst(far)).toBeGreaterThan(2 * (atBase('m2') / atBase(far)))
  })

  it('is offered where it tells much more than the one whose turn it is, and not in its own place', () => {
    const forecast = of(ask(checks))!
    const [best] = forecast.worth
    expect(tellsMost(forecast, best!)).toBeNull()
    const dull = forecast.worth.at(-1)!
    expect(tellsMost(forecast, dull)).toEqual(best)
    expect(tellsMost({ ...forecast, worth: [] }, dull)).toBeNull()
    const near = { ...forecast, worth: [best!, { ...dull, perMinute: 0.9 * best!.perMinute }] }
    expect(tellsMost(near, dull)).toBeNull()
  })
})

describe('how things spread', () => {
  it('is usual for a short log, and learnt anew only once one has twice the checks', () => {
    const checks = logged(
      marks.slice(0, 5).flatMap((m) => [...bothWays(m.id, 'A', '55'), ...bothWays(m.id, 'B', '57')]),
    )
    const few = forecastSpreads(ask(checks.slice(0, 2)), null)
    expect([few.checks, few.spreads.shadowDb]).toEqual([2, 8])
    const before = { ...few, checks: 11 }
    expect(forecastSpreads(ask(checks), before)).toBe(before)
    expect(forecastSpreads(ask(checks), { ...few, checks: 10 }).checks).toBe(20)
  })
})
