import { describe, expect, it } from 'vitest'
import { testEntry } from '@/core/testing/entries'
import { checkOf } from '@/core/testing/plans'
import { asLogged, foldEntries, type EntryBody, type Recording } from '@/core/trial'
import { agreementOf, cutsOf, listeningOrder, secondsAt, sentTo, startFrom } from './cuts'
import { columnsOf, peaksOf } from './peaks'
import { trackAt } from './trackAt'

const entry = (body: EntryBody, wallTime: string) => testEntry(body, { wallTime })
const at = (s: number) => new Date(Date.UTC(2026, 4, 16, 8, 0, s)).toISOString()
const sent = (linkId: string, s: number, direction: 'to base' | 'from base' = 'to base') =>
  entry({ kind: 'check', ...checkOf('m', linkId, 'sent', { direction, state: 'sent' }) }, at(s))
const recording: Recording = {
  mediaId: 'x',
  name: 'a.wav',
  at: 'base',
  seconds: 100,
  startsAt: at(10),
  aligned: '',
}

describe('a recording cut at the times of sending', () => {
  it('a moment that the log knows says when it began', () => {
    expect(startFrom(12.5, at(30))).toBe(new Date(Date.UTC(2026, 4, 16, 8, 0, 17, 500)).toISOString())
    expect(secondsAt({ startsAt: startFrom(12.5, at(30)) }, at(30))).toBeCloseTo(12.5, 9)
    expect(secondsAt({ startsAt: null }, at(30))).toBeNull()
  })
  it('holds what its end was to hear, in the order of time, and says what it does not reach', () => {
    const entries = [
      sent('a', 20),
      sent('b', 40),
      sent('c', 30, 'from base'),
      sent('d', 150),
      entry({ kind: 'state', linkId: 'a', way: 'out', state: null, distanceM: null, fix: null }, at(35)),
    ]
    const log = foldEntries(entries)
    const cuts = cutsOf(log, recording, { beforeS: 1, afterS: 6 })
    expect(cuts.map((c) => (c.about.kind === 'check' ? c.about.check.linkId : 'state'))).toEqual([
      'a',
      'state',
      'b',
      'd',
    ])
    expect(cuts[0]).toMatchObject({ fromS: 9, toS: 16, inside: true })
    expect(cuts.at(-1)!.inside).toBe(false)
    expect(cutsOf(log, { ...recording, startsAt: null }, { beforeS: 1, afterS: 6 })).toEqual([])
    expect(sentTo(log, 'out').map((c) => c.linkId)).toEqual(['c'])
  })
  it('is shuffled the same way every time where the listener is blind, and by another seed another way', () => {
    const list = Array.from({ length: 20 }, (_, i) => i)
    expect(listeningOrder(list, false, 1)).toEqual(list)
    expect(listeningOrder(list, true, 1)).toEqual(listeningOrder(list, true, 1))
    expect(listeningOrder(list, true, 1)).not.toEqual(listeningOrder(list, true, 2))
    expect([...listeningOrder(list, true, 1)].sort((a, b) => a - b)).toEqual(list)
  })
})

describe('two listeners', () => {
  const body = checkOf('m', 'a', '', { state: 'sent' })
  const check = (id: string, grades: [string, string][]) => ({
    ...asLogged(body, { id, time: at(0), device: 'd', role: 'out there' }),
    grades: grades.map(([listener, text], i) => ({
      id: `${id}${i}`,
      time: at(i),
      checkId: id,
      listener,
      text,
      blind: true,
    })),
  })
  it('agree or differ over what both have heard; the latest word of each counts', () => {
    const checks = [
      check('1', [
        ['first', '4 by 5'],
        ['second', '4 BY 5'],
      ]),
      check('2', [
        ['first', '3 by 5'],
        ['second', '4 by 5'],
      ]),
      check('3', [['first', '3 by 5']]),
      check('4', [
        ['first', '1 by 1'],
        ['second', '2 by 2'],
        ['first', '2 by 2'],
      ]),
    ]
    const found = agreementOf(checks)!
    expect(found).toMatchObject({ listeners: ['first', 'second'], both: 3, alike: 2 })
    expect(found.differ.map((c) => c.id)).toEqual(['2'])
  })
  it('one listener agrees with nobody', () => expect(agreementOf([check('1', [['first', 'x']])])).toBeNull())
})

describe('where a track was at a time', () => {
  const points = [
    { lat: 47, lon: -29, timeMs: 0 },
    { lat: 47.001, lon: -29.002, timeMs: 10_000 },
    { lat: 48, lon: -29, timeMs: 500_000 },
  ]
  it('between two points by their share of time, on a point there', () => {
    expect(trackAt(points, 2500)).toMatchObject({
      lat: expect.closeTo(47.00025, 9),
      lon: expect.closeTo(-29.0005, 9),
    })
    expect(trackAt(points, 10_000)).toMatchObject({ lat: 47.001 })
  })
  it('nowhere before it, after it, or in a gap', () => {
    for (const t of [-1, 500_001, 200_000]) expect(trackAt(points, t)).toBeNull()
  })
})

describe('a waveform', () => {
  it('keeps the lowest and highest of each stretch', () => {
    const samples = new Float32Array(1000)
    samples[130] = 0.8
    samples[131] = -0.5
    const peaks = peaksOf(samples, 1000)
    expect(peaks.perSecond).toBe(50)
    expect(peaks.high[6]).toBeCloseTo(0.8, 6)
    expect(peaks.low[6]).toBeCloseTo(-0.5, 6)
    const columns = columnsOf(peaks, 0, 1, 10)
    expect(columns[1]).toEqual({ low: expect.closeTo(-0.5, 6), high: expect.closeTo(0.8, 6) })
    expect(columns[0]).toEqual({ low: 0, high: 0 })
  })
  it('draws silence past the end of the sound', () => {
    expect(columnsOf(peaksOf(new Float32Array(100).fill(0.5), 1000), 5, 6, 4)).toEqual(
      Array(4).fill({ low: 0, high: 0 }),
    )
  })
})
