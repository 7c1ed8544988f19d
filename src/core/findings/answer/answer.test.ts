import { describe, expect, it } from 'vitest'
import { defaultScale } from '@/core/reports'
import { seededRandom } from '@/core/stats'
import { ORDINARY_FIELD, simulateRun } from '@/core/sim'
import { testEntry } from '@/core/testing/entries'
import { checkOf, desk, link, mark, plan as wholePlan, planWith, rig } from '@/core/testing/plans'
import { foldEntries, marksNow, type EntryBody, type TrialPlan } from '@/core/trial'
import {
  answerOf,
  answersAnything,
  edgeIntervals,
  inputOf,
  makeFindings,
  orderWalks,
  prepareFindings,
  type Answer,
} from '..'

/** The answer of a log, as every place gets it. */
function answered(plan: TrialPlan, bodies: EntryBody[]): Answer {
  const log = foldEntries(bodies.map((b) => testEntry(b)))
  const input = inputOf(plan, marksNow(plan, log), log.checks, true)
  const findings = makeFindings(input, prepareFindings(input), log.events)
  return answerOf({
    plan,
    log,
    findings,
    walks: orderWalks(edgeIntervals(plan, log), plan.reliability),
    reliability: plan.reliability,
    units: 'metric',
    link: (id) => plan.links.find((l) => l.id === id)?.name ?? id,
    mark: (id) => id,
  })!
}

const at = (n: number) => Array.from({ length: n }, (_, i) => i)
const rigs = (...ids: string[]) => ids.map((id) => link(rig(id, { name: `Whip ${id.toUpperCase()}` })))
const checks = (list: ReturnType<typeof checkOf>[]): EntryBody[] => list.map((c) => ({ kind: 'check', ...c }))
const said = (a: Answer) => [a.lead, ...a.detail, a.sure, a.settle, ...a.beside].join(' ')
const ids = (a: Answer) => a.lines.map((l) => l.linkId)

const edge = (
  linkId: string,
  what: 'last heard' | 'first lost',
  distanceM: number,
  legId = 'l',
): EntryBody => ({ kind: 'edge', legId, linkId, direction: 'to base', what, distanceM, fix: null })
const walk = (linkId: string, heard: number, lost: number, legId = 'l') => [
  edge(linkId, 'last heard', heard, legId),
  edge(linkId, 'first lost', lost, legId),
]
const state = (linkId: string, way: 'out' | 'home', name: string, distanceM: number): EntryBody => ({
  kind: 'state',
  linkId,
  way,
  state: name,
  distanceM,
  fix: null,
})

describe('the answer of checks along ways', () => {
  const field = { ...ORDINARY_FIELD, seed: 3, inWords: 0, forgotten: 0, groundLossDb: 22, extraSlopeDb: 14 }
  it('of two: which is better and by how much, each with its reach, the farther first', () => {
    const plan = wholePlan(rigs('a', 'b'))
    const run = simulateRun(plan, { ...field, gainDbi: { a: -6, b: 2 } })
    const answer = answered(plan, checks(run))
    expect(answer.basis).toBe('reach')
    expect(answer.lead).toMatch(/^Whip B is better than Whip A by \d.*\.$/)
    expect(ids(answer)).toEqual(['b', 'a'])
    expect(answer.lines[0]!.value!).toBeGreaterThan(answer.lines[1]!.value!)
    expect(answer.copied).toContain('readability')
    expect(answer.sure).toMatch(/^From 96 checks at 24 marks/)
  })
  it('of two of which one is better in its stronger way only: that the reach does not follow', () => {
    const DBM = defaultScale('level')
    const random = seededRandom(3)
    const plan = wholePlan(rigs('a', 'b'), 14, DBM)
    // A hears the base 14 dB better, and is heard there a little worse, where both are near their limit.
    const run = plan.marks.flatMap((m) => {
      const ground = -62 - 42 * Math.log10(m.distanceM / 300) + 3 * random.normal()
      return (['a', 'b'] as const).flatMap((id) =>
        (['to base', 'from base'] as const).map((direction) => {
          const own = direction === 'from base' ? (id === 'a' ? 34 : 20) : id === 'a' ? -2 : 0
          const level = ground + own + 1.2 * random.normal()
          return checkOf(m.id, id, level < -106 ? 'nil' : `${Math.round(level)} dBm`, { direction })
        }),
      )
    })
    const answer = answered(plan, checks(run))
    expect(answer.lead).toMatch(/^Whip A is better than Whip B/)
    expect(ids(answer)).toEqual(['b', 'a'])
    expect(said(answer)).toContain('Both ways together Whip B reaches no less far')
  })
  it('of eight: an order in a sentence or two, never 28 of them, with the truth at its ends', () => {
    const names = ['a', 'b', 'c', 'd', 'e', 'f', 'g', 'h']
    const plan = { ...wholePlan(rigs(...names), 12), directions: ['to base' as const] }
    const gainDbi = Object.fromEntries(names.map((n, i) => [n, 3 * i - 10]))
    const answer = answered(plan, checks(simulateRun(plan, { ...field, gainDbi })))
    expect(1 + answer.detail.length).toBeLessThanOrEqual(4)
    expect(ids(answer).slice(0, 2)).toContain('h')
    expect(ids(answer).slice(-2)).toContain('a')
    expect(said(answer)).toMatch(/of 28 pairs are told apart/)
  })
  it('of a ladder: what brought most, then every step in turn', () => {
    const roof = { ...desk, id: 'y', name: '12 m mast' }
    const car = rig('b', { name: 'Car', powerW: 2 })
    const plan = {
      ...wholePlan([], 20),
      links: [
        { ...link(rig('a', { name: 'Handheld' })), id: '1' },
        { ...link(rig('a', { name: 'Handheld' }), roof), id: '2' },
        { ...link(car, roof), id: '3' },
      ],
    }
    const answer = answered(
      plan,
      checks(simulateRun(plan, { ...field, gainDbi: {}, linkGainDb: { 1: 0, 2: 4, 3: 16 } })),
    )
    expect(answer.lead).toMatch(/^Car instead of Handheld brought most/)
    expect(answer.detail).toHaveLength(2)
  })
  it.each([
    ['nil', 'Nothing was copied from any of them, not even at the nearest mark, 300 m.'],
    ['5 by 9+60', 'All of them were copied at every mark, out to 2.0 km: the edge lies farther out.'],
  ])('of a log that says %s throughout: that, and no order', (text, lead) => {
    for (const names of [
      ['a', 'b'],
      ['a', 'b', 'c'],
    ]) {
      const plan = { ...wholePlan(rigs(...names), 8), directions: ['to base' as const] }
      const run = plan.marks.flatMap((m) => names.map((n) => checkOf(m.id, n, text)))
      const answer = answered(plan, checks(run))
      expect(answer.lead).toBe(lead)
      expect(answer.detail).toEqual([])
    }
  })
  it('of one rig alone: its reach, and nothing compared', () => {
    const plan = wholePlan(rigs('a'), 16)
    const answer = answered(plan, checks(simulateRun(plan, { ...field, gainDbi: { a: -4 } })))
    expect(answer.lead).toMatch(/^Whip A: about .* 9 times in 10\.$/)
    expect(answer.lines).toHaveLength(1)
  })
})

describe('the answer of a log from one place', () => {
  it('is who is stronger there, each with its level, and no reach', () => {
    const DBM = defaultScale('level')
    const random = seededRandom(8)
    const plan = planWith({
      links: rigs('a', 'b', 'c'),
      marks: [mark('desk', 4000)],
      scales: { base: DBM, out: DBM },
    })
    const level = { a: -80, b: -92, c: -86 }
    const answer = answered(
      plan,
      checks(
        at(5).flatMap((i) =>
          Object.entries(level).map(([id, db]) =>
            checkOf('desk', id, `${Math.round(db + random.normal())} dBm`, { repeat: i + 1 }),
          ),
        ),
      ),
    )
    expect(answer.basis).toBe('level')
    expect(answer.lead).toBe('Whip A is heard strongest, then Whip C and Whip B.')
    expect(ids(answer)).toEqual(['a', 'c', 'b'])
    expect(answer.lines[0]!.text).toMatch(/^−(79|80|81)\.\d dBm \(/)
    expect(answer.sure).toContain('here, and only here')
    expect(answer.copied).toBeNull()
  })
})

describe('the answer of walks to the edge', () => {
  it('ranks eight rigs by where they were lost, with the chance of each place behind it', () => {
    const names = ['a', 'b', 'c', 'd', 'e', 'f', 'g', 'h']
    const truth = names.map((_, i) => 900 * 1.22 ** i)
    const answer = answered(
      planWith({ links: rigs(...names), marks: [mark('m', 500)] }),
      ['west', 'east'].flatMap((leg, l) =>
        names.flatMap((n, i) => walk(n, truth[i]! * (l ? 0.92 : 1.05), truth[i]! * (l ? 0.97 : 1.1), leg)),
      ),
    )
    expect(answer.basis).toBe('edges')
    expect(ids(answer)).toEqual([...names].reverse())
    expect(answer.lead).toMatch(/^Whip H gets farthest before it is lost/)
    const [first] = answer.lines
    expect(first!.low!).toBeLessThan(truth[7]!)
    expect(first!.high!).toBeGreaterThan(truth[7]!)
    expect(said(answer)).toMatch(/Whip H gets [34]\.\d times as far as Whip A/)
  })
  it('takes an attenuator out, and says so', () => {
    const attenuator = (db: number): EntryBody => ({
      kind: 'change',
      what: 'attenuator',
      linkId: null,
      db,
      text: '',
    })
    const answer = answered(planWith({ links: rigs('a', 'b') }), [
      attenuator(20),
      ...walk('a', 980, 1020),
      ...walk('b', 580, 620),
      attenuator(0),
      ...walk('b', 1900, 2100),
    ])
    expect(ids(answer)).toEqual(['a', 'b'])
    // B got 2.0 km without the 20 dB and 0.6 km with them: A, at 1.0 km with them, gets three times as far.
    expect(answer.lines[0]!.value! / 1000).toBeGreaterThan(2.4)
    expect(said(answer)).toContain('attenuator')
  })
  it('a rig that was never lost is a bound, and nothing is made of it', () => {
    const answer = answered(planWith({ links: rigs('a', 'b') }), [
      edge('a', 'last heard', 4000),
      ...walk('b', 900, 1000),
    ])
    expect(answer.lines[0]!.text).toContain('or more: it was never lost')
    expect(answer.lines[0]!.value).toBeNull()
  })
})

describe('the answer of a drive by ear', () => {
  it('is clear to here and broken to there, way by way', () => {
    const answer = answered(planWith({ links: rigs('a') }), [
      state('a', 'out', 'clear', 400),
      state('a', 'out', 'first break-up', 1800),
      state('a', 'out', 'lost', 2400),
      state('a', 'home', 'lost', 2600),
      state('a', 'home', 'back', 1900),
    ])
    expect(answer.basis).toBe('by ear')
    expect(answer.lead).toBe('Whip A, out: clear to 1.8 km, broken to 2.4 km, lost beyond.')
    expect(answer.lines[0]!.ways.map((w) => w.name)).toEqual(['out', 'home'])
    expect(answer.lines[0]!.ways[1]!.text).toBe('lost in to 1.9 km, clear in to the base')
  })
  it('by the side of the hill, where places tell the leg', () => {
    const legs = ['West', 'East'].map((legName, i) => ({
      legName,
      legId: legName,
      lat: 47.3,
      lon: -29.5 + (i ? 0.03 : -0.03),
    }))
    const plan = planWith({
      links: rigs('a', 'b'),
      base: { name: 'Pier', lat: 47.3, lon: -29.5 },
      marks: legs.map((l, i) => mark(`m${i}`, 2000, l)),
    })
    const there = (linkId: string, i: number, name: string, distanceM: number): EntryBody => ({
      kind: 'state',
      linkId,
      way: 'out',
      state: name,
      distanceM,
      fix: { lat: legs[i]!.lat, lon: legs[i]!.lon, accuracyM: 5 },
    })
    const answer = answered(plan, [
      there('a', 0, 'clear', 100),
      there('a', 0, 'lost', 1200),
      there('b', 0, 'clear', 100),
      there('b', 0, 'lost', 2000),
      there('a', 1, 'clear', 100),
      there('a', 1, 'lost', 2600),
      there('b', 1, 'clear', 100),
      there('b', 1, 'lost', 3900),
    ])
    expect(answer.lead).toMatch(/^(Most likely )?Whip B is heard farthest/)
    expect(said(answer)).toContain('West: lost from 1.2 to 2.0 km.')
    expect(said(answer)).toContain('East: lost from 2.6 to 3.9 km.')
  })
})

describe('the answer of comparisons alone', () => {
  const compare = (markId: string, words: 'better' | 'the same' | 'gone'): EntryBody => ({
    kind: 'compare',
    markId,
    direction: 'to base',
    links: ['a', 'b'],
    said: words,
    text: '',
  })
  it('is which is better, with its count, and no reach', () => {
    const answer = answered(
      planWith({ links: rigs('a', 'b') }),
      at(8).map((i) => compare(`m${i}`, i === 3 ? 'the same' : 'better')),
    )
    expect(answer.basis).toBe('switches')
    expect(answer.lead).toBe('Whip B is better than Whip A on a quick switch: at 7 of 8 marks, alike at 1.')
    expect(answer.settle).toBeNull()
    expect(answer.lines.map((l) => l.value)).toEqual([7.5 / 8, 0.5 / 8])
  })
  it('of other stations alone: which is better by what they said', () => {
    const station = (name: string, linkId: string, text: string): EntryBody => ({
      kind: 'station',
      name,
      place: '',
      direction: 'from base',
      linkId,
      text,
    })
    const answer = answered(
      { ...planWith({ links: rigs('a', 'b') }), directions: ['from base'] },
      at(7).flatMap((i) => [
        station(`Boat ${i}`, 'a', `5 by ${8 - (i % 3)}`),
        station(`Boat ${i}`, 'b', `4 by ${5 - (i % 3)}`),
      ]),
    )
    expect(answer.lead).toBe('Whip A is better than Whip B by what other stations said.')
    expect(answer.sure).toContain('nothing of reach')
  })
})

describe('the answer of what a line carried', () => {
  it('is shown, and is no verdict', () => {
    const carried = (linkId: string, value: number): EntryBody => ({
      kind: 'carried',
      markId: 'm',
      linkId,
      direction: 'from base',
      what: 'throughput',
      value,
      server: 's',
      path: '',
      cap: null,
    })
    const answer = answered(planWith({ links: rigs('a', 'b') }), [
      carried('a', 12),
      carried('a', 14),
      carried('b', 25),
    ])
    expect(answer.lead).toBe('Whip B carried most: 25 Mbit/s (25 to 25, one reading).')
    expect(said(answer)).toContain('no verdict on an antenna')
  })
})

it('nothing logged is no answer, and a no-look mark without a name is nothing yet', () => {
  expect(answersAnything(foldEntries([]))).toBe(false)
  const unnamed: EntryBody = { kind: 'state', linkId: 'a', way: 'out', state: null, distanceM: 3, fix: null }
  expect(answersAnything(foldEntries([testEntry(unnamed)]))).toBe(false)
  expect(answersAnything(foldEntries([testEntry(state('a', 'out', 'clear', 3))]))).toBe(true)
})
