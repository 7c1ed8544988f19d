import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { direct } from '@/core/geo'
import { testEntry } from '@/core/testing/entries'
import { checkOf, link, mark, planWith, rig } from '@/core/testing/plans'
import {
  balancedOrder,
  ENDS_SWAPPED,
  estimatedMinutes,
  foldEntries,
  nextCheck,
  plannedChecks,
  planNow,
  respace,
  schedule,
  standingChecks,
  williamsSquare,
  type Entry,
  type EntryBody,
} from '.'

const links = ['a', 'b'].map((id) => link(rig(id, { name: id })))
const base = { name: 'Base', lat: 47.3, lon: -29.5 }
const marks = [1, 2, 3, 4].map((i) =>
  mark(`m${i}`, i * 500, { name: `S0${i}`, alongM: i * 500, bearingDeg: 60, ...direct(base, 60, i * 500) }),
)
const plan = planWith({
  base,
  links,
  marks,
  directions: ['to base', 'from base'],
  order: { scheme: 'balanced', seed: 4 },
})

const entry = (body: EntryBody, supersedes: string | null = null) => testEntry(body, { supersedes })
const check = (
  markId: string,
  linkId: string,
  text: string,
  direction: 'to base' | 'from base' = 'to base',
): EntryBody => ({ kind: 'check', ...checkOf(markId, linkId, text, { direction }) })

describe('foldEntries', () => {
  const first = entry(check('m1', 'a', '5 by 7'))
  const second = entry(check('m1', 'b', '5 by 9'))
  const corrected = entry(check('m1', 'a', '4 by 7'), first.id)
  const voided = entry({ kind: 'void', reason: 'plug loose' }, second.id)
  const skip = entry({
    kind: 'skip',
    keys: [{ markId: 'm2', linkId: 'a', direction: 'to base', repeat: 1 }],
    reason: '',
  })
  const at = entry({ kind: 'at mark', markId: 'm2' })
  const all = [first, second, corrected, voided, skip, at]

  it('a correction replaces, a void hides but stays listed', () => {
    const log = foldEntries(all)
    expect(log.checks.map((c) => c.text)).toEqual(['4 by 7', '5 by 9'])
    expect(log.checks[0]).toMatchObject({ id: first.id, versions: 2, voided: null })
    expect(log.checks[1]!.voided).toEqual({ reason: 'plug loose' })
    expect(standingChecks(log)).toHaveLength(1)
    expect(log.currentMark).toBe('m2')
  })

  it('a void of a correction voids the check, and a correction of a void brings it back', () => {
    const gone = entry({ kind: 'void', reason: 'undone' }, corrected.id)
    expect(standingChecks(foldEntries([...all, gone]))).toHaveLength(0)
    const back = entry(check('m1', 'b', '5 by 8'), voided.id)
    expect(foldEntries([...all, back]).checks[1]).toMatchObject({ text: '5 by 8', voided: null })
  })

  it('order and duplicates do not matter', () => {
    const bodies = fc.oneof(
      fc
        .record({
          markId: fc.constantFrom('m1', 'm2', 'm3'),
          text: fc.constantFrom('5 by 7', 'nil', '3 by 3'),
        })
        .map(({ markId, text }) => check(markId, 'a', text)),
      fc.constant<EntryBody>({ kind: 'void', reason: 'x' }),
      fc.constant<EntryBody>({ kind: 'run', state: 'finished', reason: '' }),
      fc.constantFrom('m1', 'm2').map<EntryBody>((markId) => ({ kind: 'at mark', markId })),
    )
    fc.assert(
      fc.property(
        fc.array(fc.tuple(bodies, fc.option(fc.nat(), { nil: null })), { maxLength: 14 }),
        fc.array(fc.nat(), { minLength: 30, maxLength: 30 }),
        (raw, keys) => {
          const made: Entry[] = []
          for (const [body, target] of raw)
            made.push(
              entry(body, target === null || made.length === 0 ? null : made[target % made.length]!.id),
            )
          const shuffled = [...made, ...made.slice(0, 5)]
            .map((e, i) => ({ e, k: keys[i % 30]! }))
            .sort((a, b) => a.k - b.k)
            .map(({ e }) => e)
          expect(foldEntries(shuffled)).toEqual(foldEntries(made))
        },
      ),
    )
  })

  it('does not hang on entries that supersede one another', () => {
    const a = { ...entry(check('m1', 'a', 'x')), supersedes: 'loop-b' }
    const b = { ...entry(check('m1', 'a', 'y')), id: 'loop-b', supersedes: a.id }
    expect(foldEntries([a, b]).checks.length).toBeGreaterThan(0)
  })

  it('keeps the run’s end and its reopening', () => {
    const end = entry({ kind: 'run', state: 'voided', reason: 'wrong channel' })
    expect(foldEntries([end])).toMatchObject({ state: 'voided', stateReason: 'wrong channel' })
    expect(foldEntries([end, entry({ kind: 'run', state: 'reopened', reason: '' })]).state).toBe('going')
    expect(foldEntries([end, entry({ kind: 'void', reason: 'undone' }, end.id)]).state).toBe('going')
  })
})

describe('schedule', () => {
  it('makes every check once, and takes the next at the mark where the log stands', () => {
    expect(plannedChecks(plan)).toHaveLength(4 * 2 * 2)
    const log = foldEntries([entry({ kind: 'at mark', markId: 'm3' })])
    expect(nextCheck(plan, log)!.markId).toBe('m3')
    expect(nextCheck(plan, foldEntries([]))!.markId).toBe('m1')
  })
  it('knows what is logged, skipped and to do; a void opens the check again', () => {
    const made = entry(check('m1', 'a', '5 by 7'))
    const skip = entry({
      kind: 'skip',
      keys: [{ markId: 'm1', linkId: 'b', direction: 'to base', repeat: 1 }],
      reason: '',
    })
    const states = (log: Entry[]) => schedule(plan, foldEntries(log)).map((c) => c.state)
    expect(
      states([made, skip])
        .filter((s) => s !== 'to do')
        .sort(),
    ).toEqual(['logged', 'skipped'])
    expect(states([made, entry({ kind: 'void', reason: '' }, made.id)]).every((s) => s === 'to do')).toBe(
      true,
    )
  })
  it('takes an unplanned mark in, and is done when all is', () => {
    const mark = { ...marks[1]!, id: 'new', name: 'Gate' }
    const log = foldEntries([entry({ kind: 'mark', mark, before: 'm2' })])
    expect(
      schedule(plan, log)
        .map((c) => c.mark.name)
        .filter((x, i, l) => l.indexOf(x) === i),
    ).toEqual(['S01', 'Gate', 'S02', 'S03', 'S04'])
    const every = plannedChecks(plan).map((c) =>
      entry({ ...check(c.markId, c.linkId, 'nil'), direction: c.direction } as EntryBody),
    )
    expect(nextCheck(plan, foldEntries(every))).toBeNull()
  })
  it('estimates the time', () => {
    // 2 km out and back at 4 km/h is 60 min, 16 half minutes, and at least one change of rig a mark.
    expect(estimatedMinutes(plan)).toBeGreaterThanOrEqual(60 + 8 + 4)
    expect(estimatedMinutes(plan)).toBeLessThan(60 + 8 + 12)
  })
})

describe('respace', () => {
  it('changes the spacing of what is left, along the way', () => {
    const { replaced, marks: made } = respace(base, marks, new Set(['m1', 'm2']), 250, (i) => `n${i}`)
    expect(replaced).toEqual(['m3', 'm4'])
    expect(made.map((m) => Math.round(m.distanceM))).toEqual([1250, 1500, 1750, 2000])
    expect(made[0]).toMatchObject({ id: 'n0', legId: 'l', name: 'S03*' })
  })
  it('works without coordinates, and when nothing is left', () => {
    const plain = marks.map((m) => ({ ...m, lat: null, lon: null }))
    expect(respace(null, plain, new Set(), 1000, String).marks.map((m) => m.distanceM)).toEqual([1000, 2000])
    expect(respace(base, marks, new Set(['m4']), 100, String).replaced).toEqual([])
    expect(() => respace(base, marks, new Set(), 0, String)).toThrow(RangeError)
  })
  it('is seen by the schedule; a mark with something logged stays', () => {
    const body = {
      kind: 'spacing' as const,
      legId: 'l',
      ...respace(base, marks, new Set(['m1']), 700, (i) => `n${i}`),
    }
    const log = foldEntries([entry(check('m1', 'a', 'nil')), entry(body)])
    expect([...new Set(schedule(plan, log).map((c) => c.markId))]).toEqual(['m1', 'n0', 'n1'])
  })
})

describe('balanced orders', () => {
  it('two links go AB, BA: each first equally often', () => {
    const rows = balancedOrder(2, 20, 9)
    expect(rows.filter((r) => r[0] === 0)).toHaveLength(10)
    for (let i = 0; i < 20; i += 2) expect(rows[i]![0]).not.toBe(rows[i + 1]![0])
  })
  it.each([3, 4, 5, 6])('a Williams square of %i is balanced for place and for what went before', (k) => {
    const square = williamsSquare(k)
    const places = new Map<string, number>()
    const before = new Map<string, number>()
    for (const row of square)
      row.forEach((t, i) => {
        places.set(`${t}@${i}`, (places.get(`${t}@${i}`) ?? 0) + 1)
        if (i > 0) before.set(`${row[i - 1]}>${t}`, (before.get(`${row[i - 1]}>${t}`) ?? 0) + 1)
      })
    expect(new Set(places.values()).size).toBe(1)
    expect(before.size).toBe(k * (k - 1))
    expect(new Set(before.values()).size).toBe(1)
  })
  it('is the same for the same seed', () => {
    expect(balancedOrder(3, 12, 5)).toEqual(balancedOrder(3, 12, 5))
    expect(balancedOrder(3, 12, 5)).not.toEqual(balancedOrder(3, 12, 6))
    expect(() => williamsSquare(1)).toThrow(RangeError)
  })
})

it('a plan of nothing, in whatever order, asks for nothing', () => {
  for (const scheme of ['balanced', 'as listed', 'on-off-on'] as const)
    expect(plannedChecks(planWith({ marks: [mark('m')], order: { scheme, seed: 1 } }))).toEqual([])
})

it('a run begun with its ends mixed up is read the other way round, and back again, however often it is asked', () => {
  const planned = planWith({ links: [link(rig('a')), link(rig('b'))], marks: [mark('m')] })
  const swap = () => testEntry({ kind: 'other', what: ENDS_SWAPPED, detail: {} })
  const once = foldEntries([swap()])
  const now = planNow(planned, once)
  expect(now.links.map((l) => [l.id, l.base.id, l.out.id])).toEqual([
    ['a', 'a', 'z'],
    ['b', 'b', 'z'],
  ])
  // Named after the end that varies now, which is the base.
  expect(now.links.map((l) => l.name)).toEqual(['Rig a', 'Rig b'])
  expect(planNow(now, once)).toBe(now)
  const back = foldEntries([swap(), swap()])
  expect(planNow(planned, back)).toBe(planned)
  expect(planNow(now, back).links[0]).toMatchObject({ base: { id: 'z' }, out: { id: 'a' } })
})
