import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { direct } from '@/core/geo'
import {
  foldEntries,
  type Entry,
  type EntryBody,
  type Mark,
  type ScheduledCheck,
  type TrialPlan,
} from '@/core/trial'
import { draftText, EMPTY_DRAFT } from '../pad/draft'
import { edgeWarning } from './edgeWarning'
import { messageOf } from '@/core/outcome'
import { checkOf, plan as testPlan, link, rig } from '@/core/testing/plans'
import { readRunFile } from '@/core/trial/readLog'
import { baseFrom, guideTo, speedOf, withSpeed } from '../position/guide'
import { replaySource, type Position } from '../position/positionSource'
import { readScan } from '../menu/scan'
import { reminders, timeToday } from './timers'
import { defaultScale } from '@/core/reports'

const base = { lat: 47.3, lon: -29.55 }
const at = (bearing: number, m: number, more: Partial<Position> = {}): Position => ({
  ...direct(base, bearing, m),
  accuracyM: 5,
  speedMs: null,
  courseDeg: null,
  at: 0,
  ...more,
})
const mark = (id: string, distanceM: number): Mark => ({
  id,
  name: id,
  legId: 'leg',
  legName: 'Shore',
  distanceM,
  distanceSdM: null,
  alongM: null,
  bearingDeg: 90,
  ...direct(base, 90, distanceM),
})

describe('the way to the mark', () => {
  it('is a distance, a bearing and a time at the pace of now, else of walking', () => {
    const m = mark('s1', 1000)
    const found = guideTo(m, at(90, 400))!
    expect(found.distanceM).toBeCloseTo(600, 0)
    expect(found.bearingDeg).toBeCloseTo(90, 0)
    expect(found.minutes).toBeCloseTo(600 / 1.2 / 60, 1)
    expect(guideTo(m, at(90, 400, { speedMs: 10 }))!.minutes).toBeCloseTo(1, 1)
  })
  it('one is there within 25 m, or within the receiver’s own accuracy up to 100 m', () => {
    const m = mark('s1', 1000)
    expect(guideTo(m, at(90, 980))!.arrived).toBe(true)
    expect(guideTo(m, at(90, 940))!.arrived).toBe(false)
    expect(guideTo(m, at(90, 940, { accuracyM: 80 }))!.arrived).toBe(true)
    expect(guideTo(m, at(90, 600, { accuracyM: 5000 }))!.arrived).toBe(false)
  })
  it('needs no position: the base lies back along the mark’s bearing', () => {
    expect(guideTo(mark('s1', 1000), null)).toBeNull()
    expect(guideTo({ lat: null, lon: null }, at(90, 1))).toBeNull()
    expect(baseFrom(base, null, mark('s1', 1000))).toEqual({ distanceM: 1000, bearingDeg: 270 })
    expect(baseFrom(base, at(90, 500), null)!.distanceM).toBeCloseTo(500, 0)
    expect(baseFrom(null, null, null)).toBeNull()
  })
  it('speed is the source’s own, else from the places of the last quarter minute', () => {
    expect(speedOf([at(90, 0, { speedMs: 3 })])).toBe(3)
    expect(speedOf([at(90, 0, { at: 0 }), at(90, 100, { at: 10_000 })])).toBeCloseTo(10, 1)
    expect(speedOf([at(90, 0, { at: 0 }), at(90, 9, { at: 1000 })])).toBeNull()
    expect(speedOf([])).toBeNull()
  })
})

describe('a way replayed', () => {
  beforeEach(() => vi.useFakeTimers())
  afterEach(() => vi.useRealTimers())
  it('goes at so many times its own speed, and ends', () => {
    const points = [0, 60, 120].map((s) => ({
      ...direct(base, 90, s * 1.5),
      time: new Date(s * 1000).toISOString(),
    }))
    const seen: Position[] = []
    const stop = withSpeed(replaySource('Shore', points, 60)).start(
      (p) => seen.push(p),
      () => undefined,
    )
    vi.advanceTimersByTime(1100)
    expect(seen).toHaveLength(2)
    expect(seen[1]!.speedMs).toBeCloseTo(1.5, 1)
    vi.advanceTimersByTime(10_000)
    expect(seen).toHaveLength(3)
    stop()
    vi.advanceTimersByTime(10_000)
    expect(seen).toHaveLength(3)
  })
})

describe('reminders', () => {
  const settings = { turnBack: '', missedMinutes: 0, identifyMinutes: 0, callSign: '' }
  const now = new Date(2026, 4, 16, 15, 20).getTime()
  const min = 60_000
  it('turn back: said a quarter of an hour before, and urgent when it is time', () => {
    expect(reminders({ ...settings, turnBack: '16:00' }, now, null, null)).toEqual([])
    expect(reminders({ ...settings, turnBack: '15:30' }, now, null, null)).toEqual([
      { key: 'turn back', words: 'Turn back in 10 min.', urgent: false },
    ])
    expect(reminders({ ...settings, turnBack: '15:00' }, now, null, null)[0]).toMatchObject({ urgent: true })
  })
  it('a missed check, but not of a run that lies since yesterday', () => {
    const missed = { ...settings, missedMinutes: 30 }
    expect(reminders(missed, now, now - 20 * min, null)).toEqual([])
    expect(reminders(missed, now, now - 40 * min, null)[0]).toMatchObject({
      key: 'missed check',
      urgent: true,
    })
    expect(reminders(missed, now, now - 24 * 60 * min, null)).toEqual([])
  })
  it('identify, where something was sent since', () => {
    const identify = { ...settings, identifyMinutes: 10, callSign: 'OSTREY 4' }
    expect(reminders(identify, now, now - min, now - 5 * min)).toEqual([])
    expect(reminders(identify, now, now - min, now - 12 * min)[0]!.words).toBe('Identify: OSTREY 4.')
    expect(reminders(identify, now, now - 40 * min, now - 50 * min)).toEqual([])
  })
  it.each(['15:3', '25:00', 'noon', ''])('"%s" is no time', (t) => expect(timeToday(t, now)).toBeNull())
})

describe('the edge does not come', () => {
  let n = 0
  const entry = (body: EntryBody): Entry => ({
    id: `01970000-0000-7000-8000-${String(++n).padStart(12, '0')}`,
    runId: 'r',
    device: 'd',
    role: 'out there',
    wallTime: '2026-05-16T08:00:00Z',
    seq: n,
    supersedes: null,
    body,
  })
  const marks = [100, 200, 300, 400].map((m, i) => mark(`s${i + 1}`, m))
  const plan = { marks, links: [] } as unknown as TrialPlan
  const checks = (text: string) =>
    marks
      .slice(0, 3)
      .flatMap((m) => ['A', 'B'].map((linkId) => entry({ kind: 'check', ...checkOf(m.id, linkId, text) })))
  const now = { markId: 's4', mark: marks[3]! } as unknown as ScheduledCheck
  it('is said near the last mark where all was heard, with what would bring it', () => {
    expect(edgeWarning({ plan, log: foldEntries(checks('5 by 9')), now })).toMatch(
      /^All 6 checks on Shore were heard: the edge may not come\. Put an attenuator in/,
    )
  })
  it('is not said early, after a loss, or once an attenuator is in', () => {
    const log = foldEntries(checks('5 by 9'))
    expect(edgeWarning({ plan, log, now: { ...now, markId: 's2', mark: marks[1]! } })).toBeNull()
    expect(edgeWarning({ plan, log: foldEntries(checks('not heard')), now })).toBeNull()
    const weakened = foldEntries([
      ...checks('5 by 9'),
      entry({ kind: 'change', what: 'attenuator', linkId: null, db: 10, text: '' }),
    ])
    expect(edgeWarning({ plan, log: weakened, now })).toBeNull()
    expect(edgeWarning({ plan, log, now: null })).toBeNull()
  })
})

describe('a channel scan', () => {
  it('is read from what a tool prints', () => {
    expect(readScan('channel level others\n6\t-71\t3\n11; -84.5; 1\n13 S4\n')).toEqual({
      channels: [
        { channel: '6', level: '-71', others: 3 },
        { channel: '11', level: '-84.5', others: 1 },
        { channel: '13', level: 'S4', others: null },
      ],
    })
  })
  it.each([
    ['', /No channel was found/],
    ['6 loud', /Line 1, "6 loud": a channel, its level/],
    ['6 -71\nnoise all over', /Line 2/],
  ])('what is none is said: %j', (text, message) => {
    const found = readScan(text)
    expect('problem' in found ? found.problem : 'read').toMatch(message)
  })
})

it('readings that waver stand in a row', () => {
  const scale = defaultScale('readability-strength')
  expect(draftText({ ...EMPTY_DRAFT, readability: 5, strength: 9, samples: ['5 by 5'] }, scale)).toBe(
    '5 by 5; 5 by 9',
  )
  expect(draftText({ ...EMPTY_DRAFT, readability: 5, samples: ['5 by 5'] }, scale)).toBeNull()
})

describe('a run as a file', () => {
  const pack = {
    protocol: 2,
    runId: 'r',
    trialId: 't',
    runName: 'R',
    startedAt: '2026-05-16T08:00:00Z',
    plan: testPlan([link(rig('a'))], 2),
  }
  const note = {
    id: '01970000-0000-7000-8000-000000000001',
    runId: 'r',
    device: 'd',
    role: 'base',
    wallTime: '2026-05-16T08:00:00Z',
    seq: 1,
    supersedes: null,
    body: { kind: 'note', text: 'x' },
  }
  const why = (raw: unknown) => {
    const file = readRunFile(raw)
    if (!file.ok) return messageOf(file)
    const { entries, refused } = file.value
    return `read ${entries.length}${refused.map((r) => `; ${r.why}`).join('')}`
  }
  it.each([
    [{ format: 'even-reach-run', pack, entries: [note] }, 'read 1'],
    [{}, 'This is no run written by the field screen.'],
    [null, 'This is no run written by the field screen.'],
    [{ format: 'even-reach-run', pack: { ...pack, protocol: 99 }, entries: [] }, 'newer Even Reach'],
    [{ format: 'even-reach-run', pack, entries: [{ ...note, id: 'x' }] }, 'UUID'],
    [
      { format: 'even-reach-run', pack, entries: [{ ...note, body: { kind: 'edge', what: 'fell off' } }] },
      'is a required field',
    ],
  ])('%#', (raw, said) => expect(why(raw)).toContain(said))
})
