import { describe, expect, it } from 'vitest'
import { direct } from '@/core/geo'
import { link as linkOf, rig as rigOf } from '@/core/testing/plans'
import { priorCorrection } from '../correction/learnCorrection'
import { linkKey } from '../linkKey'
import type { AskedPlace } from './jointDraws'
import { wayKey } from './jointDraws'
import { nextBest, type NextAsk } from './nextBest'

const BASE = { lat: 47.15, lon: -29.85 }
const [A, B] = [
  linkOf(rigOf('A', { powerW: 1 }), rigOf('H', {})),
  linkOf(rigOf('B', { powerW: 1 }), rigOf('H', {})),
]

/** A place out on a bearing, of which the prediction says so much. */
const at = (bearingDeg: number, distanceM: number, marginDb: number): AskedPlace => ({
  place: direct(BASE, bearingDeg, distanceM),
  distanceM,
  predictedDb: Object.fromEntries(
    [A, B].flatMap((l) => (['to base', 'from base'] as const).map((d) => [wayKey(l, d), marginDb])),
  ),
})
const edge = Array.from({ length: 30 }, (_, i) => at(40 + i, 2000, 2))
const ask = (more: Partial<NextAsk>): NextAsk => ({
  targets: edge,
  candidates: [
    { ...at(55, 1950, 2), minutes: 10 },
    { ...at(55, 300, 60), minutes: 10 },
    { ...at(235, 2000, 2), minutes: 10 },
  ],
  links: [A],
  directions: ['to base'],
  correction: null,
  reliability: 0.9,
  reportDb: 3,
  ...more,
})

describe('the next best check', () => {
  it('is where it is not known beforehand what it will say, near what is asked', () => {
    const copies = nextBest(ask({ reportDb: null }))
    expect(copies[0]!.candidate).toBe(0)
    const known = copies.find((w) => w.candidate === 1)!
    expect(known.narrows).toBeLessThan(0.02)
    expect(copies[0]!.narrows).toBeGreaterThan(0.2)
  })
  it('a level tells more than a copy, and far away tells less than near', () => {
    const [level] = nextBest(ask({}))
    const [copy] = nextBest(ask({ reportDb: null }))
    expect(level!.narrows).toBeGreaterThan(copy!.narrows)
    const far = nextBest(ask({ reportDb: null })).find((w) => w.candidate === 2)!
    expect(far.narrows).toBeLessThan(copy!.narrows)
  })
  it('counts what it costs to get there', () => {
    const candidates = ask({}).candidates.map((c, i) => ({ ...c, minutes: i === 0 ? 300 : 5 }))
    expect(nextBest(ask({ candidates }))[0]!.candidate).not.toBe(0)
  })
  it('what chance alone makes of it is nothing, however near it lies to the base', () => {
    // All of these are heard anyway, and stand a minute away; their levels say nothing of the edge, on the other side.
    const sure = Array.from({ length: 40 }, (_, i) => ({ ...at(200 + i, 40 + i, 90), minutes: 1 }))
    const prior = priorCorrection([linkKey(A)])
    const learnt = { ...prior, covariance: prior.covariance.map((row) => row.map((v) => v / 1e4)) }
    const candidates = [...sure, { ...at(55, 1950, 2), minutes: 60 }]
    const worth = nextBest(ask({ candidates, correction: learnt }))
    expect(worth[0]!.candidate).toBe(sure.length)
  })
  it('of two links, asks the one that is not known: both in turn, never what is certain', () => {
    const worth = nextBest(ask({ links: [A, B], reportDb: null }))
    expect(new Set(worth.filter((w) => w.candidate === 0).map((w) => w.link.id)).size).toBe(2)
    expect(worth[0]!.candidate).not.toBe(1)
  })
  it('where nothing is open there is nothing to check', () => {
    const sure = Array.from({ length: 20 }, (_, i) => at(10 * i, 500, 400))
    expect(nextBest(ask({ targets: sure }))).toEqual([])
  })
})
