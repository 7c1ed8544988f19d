import { describe, expect, it } from 'vitest'
import { testEntry } from '@/core/testing/entries'
import fc from 'fast-check'
import { checkOf, link as linkOf, mark, planWith, rig } from '@/core/testing/plans'
import {
  bodyOf,
  clockWindow,
  earStatesOf,
  foldEntries,
  nextRepeat,
  nextRound,
  plannedChecks,
  planNow,
  schedule,
  type EntryBody,
  type TrialPlan,
} from '.'

const entry = (body: EntryBody, supersedes: string | null = null) => testEntry(body, { supersedes })
const link = (id: string) => linkOf(rig(id, { name: id }), rig('Z'))
const plan = planWith({
  links: [link('A'), link('B')],
  marks: ['s1', 's2'].map((id) => mark(id, 100, { legId: 'leg' })),
})
const check = (markId: string, linkId: string, text: string, state: 'graded' | 'sent' = 'graded') =>
  entry({ kind: 'check', ...checkOf(markId, linkId, text, { state }) })
const grade = (checkId: string, listener: string, text: string) =>
  entry({ kind: 'grade', checkId, listener, text, blind: true })

describe('sent, graded later', () => {
  it('waits until somebody has listened, then says what the first listener heard', () => {
    const sent = check('s1', 'A', 'sent', 'sent')
    expect(foldEntries([sent]).checks[0]).toMatchObject({ state: 'sent', text: 'sent', grades: [] })
    const log = foldEntries([sent, grade(sent.id, 'first', '4 by 5'), grade(sent.id, 'second', '3 by 5')])
    expect(log.checks[0]).toMatchObject({ state: 'graded', text: '4 by 5' })
    expect(log.checks[0]!.grades.map((g) => g.listener)).toEqual(['first', 'second'])
  })
  it('a grade taken back leaves the other; a settled check says what was settled', () => {
    const sent = check('s1', 'A', 'sent', 'sent')
    const first = grade(sent.id, 'first', '4 by 5')
    const second = grade(sent.id, 'second', '3 by 5')
    const undone = entry({ kind: 'void', reason: 'undone' }, first.id)
    expect(foldEntries([sent, first, second, undone]).checks[0]!.text).toBe('3 by 5')
    const logged = foldEntries([sent, first, second]).checks[0]!
    const settled = entry({ kind: 'check', ...bodyOf(logged), text: '3 by 5', state: 'graded' }, sent.id)
    expect(foldEntries([sent, first, second, settled]).checks[0]).toMatchObject({
      text: '3 by 5',
      versions: 2,
    })
  })
  it('comes out alike in whatever order the devices bring it', () => {
    const sent = [check('s1', 'A', 'sent', 'sent'), check('s1', 'B', 'sent', 'sent')]
    const all = [
      ...sent,
      grade(sent[0]!.id, 'first', '4 by 5'),
      grade(sent[1]!.id, 'first', 'not heard'),
      grade(sent[0]!.id, 'second', '4 by 6'),
    ]
    const straight = foldEntries(all)
    fc.assert(
      fc.property(fc.shuffledSubarray([...all, ...all], { minLength: 10 }), (mixed) => {
        expect(foldEntries(mixed)).toEqual(straight)
      }),
    )
  })
})

describe('an attenuator put in out there', () => {
  it('counts for the checks after it, until it is taken out', () => {
    const put = (db: number) => entry({ kind: 'change', what: 'attenuator', linkId: null, db, text: '' })
    const log = foldEntries([
      check('s1', 'A', '5 by 9'),
      put(10),
      check('s1', 'B', '5 by 8'),
      put(0),
      check('s2', 'A', '5 by 5'),
    ])
    expect(log.checks.map((c) => c.attenuationDb)).toEqual([0, 10, 0])
  })
})

describe('a rig nobody planned', () => {
  it('is asked from where it was added on, and not at marks already passed', () => {
    const added = entry({ kind: 'link', link: link('C'), notAt: ['s1'], described: false })
    const log = foldEntries([check('s1', 'A', '5 by 9'), check('s1', 'B', '5 by 9'), added])
    expect(planNow(plan, log).links.map((l) => l.id)).toEqual(['A', 'B', 'C'])
    const open = schedule(plan, log).filter((c) => c.state === 'to do')
    expect(open.map((c) => `${c.markId}${c.linkId}`).sort()).toEqual(['s2A', 's2B', 's2C'])
  })
  it('described later it is the same link with other figures; added twice it is there once', () => {
    const added = entry({ kind: 'link', link: link('C'), notAt: [], described: false })
    const told = entry(
      { kind: 'link', link: { ...link('C'), out: rig('whip') }, notAt: [], described: true },
      added.id,
    )
    const log = foldEntries([added, told])
    expect(planNow(plan, log).links.at(-1)!.out.id).toBe('whip')
    const now = planNow(plan, log)
    expect(planNow(now, log)).toBe(now)
  })
})

describe('a check that surprised', () => {
  it('is asked for once more at its mark, after the others, as often as one likes', () => {
    const key = { linkId: 'A', markId: 's1', direction: 'to base' as const, repeat: 1 }
    const first = check('s1', 'A', '5 by 1')
    const again = entry({
      kind: 'repeat',
      key: { ...key, repeat: nextRepeat(plan, foldEntries([first]), key) },
    })
    const log = foldEntries([first, again])
    expect(schedule(plan, log).map((c) => `${c.markId}${c.linkId}${c.repeat} ${c.state}`)).toEqual([
      's1A1 logged',
      's1B1 to do',
      's1A2 to do',
      's2A1 to do',
      's2B1 to do',
    ])
    expect(nextRepeat(plan, log, key)).toBe(3)
    expect(
      schedule(plan, foldEntries([first, again, entry({ kind: 'void', reason: 'undone' }, again.id)])),
    ).toHaveLength(4)
  })
})

describe('on, off, on', () => {
  it('comes back to the first link after each of the others', () => {
    const p: TrialPlan = {
      ...plan,
      links: [link('A'), link('B'), link('C')],
      order: { scheme: 'on-off-on', seed: 1 },
    }
    const at = plannedChecks(p).filter((c) => c.markId === 's1')
    expect(at.map((c) => c.linkId + c.repeat)).toEqual(['A1', 'B1', 'A2', 'C1', 'A3'])
    const twice = plannedChecks({ ...p, links: p.links.slice(0, 2), repeats: 2 })
    expect(twice.filter((c) => c.markId === 's1').map((c) => c.linkId + c.repeat)).toEqual([
      'A1',
      'B1',
      'A2',
      'A3',
      'B2',
      'A4',
    ])
  })
})

describe('the listening clock', () => {
  const clock = { startsAt: '2026-05-16T08:00:00.000Z', everyS: 60 }
  const at = (text: string) => clockWindow(clock, Date.parse(`2026-05-16T${text}Z`))
  it('counts down to the first window and from one to the next', () => {
    expect(at('07:59:30.000')).toEqual({ begun: 0, toNextMs: 30_000 })
    expect(at('08:00:00.000')).toEqual({ begun: 1, toNextMs: 60_000 })
    expect(at('08:02:45.000')).toEqual({ begun: 3, toNextMs: 15_000 })
  })
  it('starts on the round, so that two who cannot talk start alike', () => {
    expect(nextRound(60, Date.parse('2026-05-16T08:00:01Z'))).toBe(Date.parse('2026-05-16T08:01:00Z'))
    expect(nextRound(60, Date.parse('2026-05-16T08:01:00Z'))).toBe(Date.parse('2026-05-16T08:02:00Z'))
  })
  it('runs until it is stopped', () => {
    const on = entry({ kind: 'clock', ...clock, on: true })
    expect(foldEntries([on]).clock).toEqual(clock)
    expect(foldEntries([on, entry({ kind: 'clock', ...clock, on: false })]).clock).toBeNull()
  })
})

describe('states by ear', () => {
  it('are the trial’s own, else the usual ones', () => {
    expect(earStatesOf({}).map((s) => s.name)).toEqual(['clear', 'first break-up', 'lost', 'back'])
    const own = [{ name: 'nothing', means: 'lost' as const }]
    expect(earStatesOf({ earStates: own })).toBe(own)
  })
})
