import { describe, expect, it } from 'vitest'
import { testEntry } from '@/core/testing/entries'
import fc from 'fast-check'
import { checkOf, link as linkOf, mark as markOf, planWith, rig } from '@/core/testing/plans'
import {
  BLIND_SEEN,
  blindDraw,
  blindLetters,
  clashesOf,
  clockOffsets,
  CODE_WORDS,
  foldEntries,
  marksNow,
  padFor,
  schedule,
  speltOut,
  wordsCopied,
  wordsFor,
  type Entry,
} from '.'

const entry = testEntry
const check = (
  markId: string,
  linkId: string,
  text: string,
  more: Partial<Entry> = {},
  direction: 'to base' | 'from base' = 'to base',
) => entry({ kind: 'check', ...checkOf(markId, linkId, text, { direction }) }, more)
const mark = (id: string, legId: string, distanceM: number) =>
  markOf(id, distanceM, { legId, legName: legId })
const link = (id: string) => linkOf(rig(id, { name: id }), rig('B'))
const plan = planWith({
  links: [link('A'), link('B')],
  marks: [mark('s1', 'shore', 100), mark('s2', 'shore', 200), mark('t1', 'top', 150)],
})

describe('what changes out there', () => {
  it('a rig that broke is asked for no more; what it has said stays; put back it is asked for again', () => {
    const out = entry({ kind: 'change', what: 'rig out', linkId: 'A', db: null, text: 'broke' })
    const log = foldEntries([check('s1', 'A', '5 by 9'), out])
    const keys = (l: ReturnType<typeof foldEntries>) =>
      schedule(plan, l).map((c) => `${c.markId}${c.linkId} ${c.state}`)
    expect(keys(log)).toEqual(['s1A logged', 's1B to do', 's2B to do', 't1B to do'])
    const back = foldEntries([
      check('s1', 'A', '5 by 9'),
      out,
      entry({ kind: 'change', what: 'rig back', linkId: 'A', db: null, text: '' }),
    ])
    expect(keys(back)).toHaveLength(6)
  })
  it('legs come in the order chosen last; a peg gets its distance; an attenuator stands until it is out', () => {
    const log = foldEntries([
      entry({ kind: 'leg order', legIds: ['top', 'shore'] }),
      entry({ kind: 'measured', markId: 's2', how: 'tape', distanceM: 231, distanceSdM: 1 }),
      entry({ kind: 'change', what: 'attenuator', linkId: null, db: 10, text: '' }),
    ])
    expect(marksNow(plan, log).map((m) => [m.id, m.distanceM])).toEqual([
      ['t1', 150],
      ['s1', 100],
      ['s2', 231],
    ])
    expect(log.attenuationDb).toBe(10)
    expect(log.events.map((e) => e.body.kind)).toEqual(['leg order', 'measured', 'change'])
  })
  it('a voided change counts no more, and undo reaches it', () => {
    const change = entry({ kind: 'change', what: 'attenuator', linkId: null, db: 10, text: '' })
    expect(foldEntries([change]).undoable.map((e) => e.id)).toEqual([change.id])
    const log = foldEntries([change, entry({ kind: 'void', reason: 'undone' }, { supersedes: change.id })])
    expect([log.attenuationDb, log.events, log.undoable]).toEqual([0, [], []])
  })
  it('a no-look mark is named afterwards by an entry that takes its place', () => {
    const body = { kind: 'state', linkId: 'A', way: 'out', state: null, distanceM: 900, fix: null } as const
    const marked = entry(body)
    const log = foldEntries([marked, entry({ ...body, state: 'lost' }, { supersedes: marked.id })])
    expect(log.events).toHaveLength(1)
    expect(log.events[0]!.body).toMatchObject({ state: 'lost', distanceM: 900 })
  })
  it('order and duplicates of the entries do not matter', () => {
    const entries = [
      check('s1', 'A', '5 by 9'),
      entry({ kind: 'change', what: 'rig out', linkId: 'A', db: null, text: '' }),
      entry({ kind: 'leg order', legIds: ['top'] }),
      entry({ kind: 'change', what: 'rig back', linkId: 'A', db: null, text: '' }),
      entry({ kind: 'blind', on: true, letters: { A: 'K', B: 'W' } }),
      entry({ kind: 'leg order', legIds: ['shore', 'top'] }),
      entry({ kind: 'change', what: 'attenuator', linkId: null, db: 6, text: '' }),
    ]
    const whole = foldEntries(entries)
    fc.assert(
      fc.property(fc.shuffledSubarray([...entries, ...entries], { minLength: 14 }), (some) => {
        expect(foldEntries(some)).toEqual(whole)
      }),
    )
  })
})

describe('two devices', () => {
  it('a check that both logged differently is a clash until one is voided', () => {
    const [a, b] = [check('s1', 'A', '5 by 9'), check('s1', 'A', '5 by 7', { device: 'desk' })]
    const same = [check('s2', 'A', '5 by 5'), check('s2', 'A', '5 BY 5 ', { device: 'desk' })]
    const found = clashesOf(foldEntries([a, b, ...same]))
    expect(found).toHaveLength(1)
    expect(found[0]!.checks.map((c) => c.text)).toEqual(['5 by 9', '5 by 7'])
    expect(
      clashesOf(foldEntries([a, b, entry({ kind: 'void', reason: 'x' }, { supersedes: b.id })])),
    ).toEqual([])
  })
  it('the same device asking again is a repeat and no clash', () => {
    expect(clashesOf(foldEntries([check('s1', 'A', '5 by 9'), check('s1', 'A', '5 by 7')]))).toEqual([])
  })
  const halves = (aheadS: number, jitter: (i: number) => number) =>
    foldEntries(
      Array.from({ length: 8 }, (_, i) => i).flatMap((i) => {
        const at = Date.UTC(2026, 4, 16, 9, i * 10)
        return [
          check(`m${i}`, 'A', '5 by 9', { device: 'a', wallTime: new Date(at).toISOString() }),
          check(
            `m${i}`,
            'A',
            '5 by 8',
            { device: 'b', wallTime: new Date(at + (aheadS + jitter(i)) * 1000).toISOString() },
            'from base',
          ),
        ]
      }),
    )
  it('a clock that is ahead is noticed from the shared checks', () => {
    const found = clockOffsets(halves(3600, (i) => (i % 3) * 20))
    expect(found).toMatchObject([{ device: 'b', against: 'a', pairs: 8 }])
    // The median of 3600 and 0, 20, 40 in turn, by hand: 0 0 0 20 20 20 40 40.
    expect(found[0]!.offsetS).toBe(3620)
  })
  it('the pace of the work is no fault of a clock, nor is what wavers as much as it is off', () => {
    expect(clockOffsets(halves(60, () => 0))).toEqual([])
    expect(clockOffsets(halves(0, (i) => (i % 2 === 0 ? 900 : -900)))).toEqual([])
  })
})

describe('code words', () => {
  const key = { linkId: 'A', markId: 's1', direction: 'to base', repeat: 1 } as const
  it('are 256 different words of one kind', () => {
    expect(new Set(CODE_WORDS).size).toBe(256)
    expect(CODE_WORDS.every((w) => /^[a-z]{4,8}$/.test(w))).toBe(true)
  })
  it('both devices draw the same five, and another check draws others', () => {
    expect(wordsFor(5, key)).toEqual(wordsFor(5, { ...key }))
    expect(new Set(wordsFor(5, key)).size).toBe(5)
    expect(wordsFor(5, { ...key, markId: 's2' })).not.toEqual(wordsFor(5, key))
    expect(wordsFor(6, key)).not.toEqual(wordsFor(5, key))
  })
  it('the pad holds the five among others, in an order that says nothing', () => {
    const pad = padFor(5, key)
    expect(pad).toHaveLength(15)
    expect(new Set(pad).size).toBe(15)
    expect(pad).toEqual([...pad].sort())
    expect(wordsFor(5, key).every((w) => pad.includes(w))).toBe(true)
  })
  it('are counted in whatever order, and each once', () => {
    expect(wordsCopied(['a', 'b', 'c'], ['c', 'a', 'x', 'a'])).toBe(2)
    expect(wordsCopied(['a'], [])).toBe(0)
  })
})

it('blind letters differ for each link and from seed to seed, are the same again, and none is a rig’s own', () => {
  const links = ['K', 'B', 'C', 'D', 'R'].map((letter) => ({ id: letter, letter, base: { letter: 'Z' } }))
  const drawn = blindLetters(links, 1)
  expect(new Set(Object.values(drawn)).size).toBe(5)
  expect(blindLetters(links, 1)).toEqual(drawn)
  const several = new Set(Array.from({ length: 20 }, (_, s) => JSON.stringify(blindLetters(links, s))))
  expect(several.size).toBeGreaterThan(15)
  for (let seed = 0; seed < 50; seed++)
    for (const letter of Object.values(blindLetters(links, seed)))
      expect(['K', 'B', 'C', 'D', 'R', 'Z']).not.toContain(letter)
  expect(speltOut('KR')).toBe('Kilo Romeo')
})

describe('a blind draw', () => {
  const draw = entry({ kind: 'blind', on: true, letters: { A: 'K', B: 'W' } }, { device: 'hill' })
  it('has reached another device once that says so by itself, which nobody takes back', () => {
    expect(blindDraw(foldEntries([]))).toBeNull()
    expect(blindDraw(foldEntries([draw]))).toMatchObject({ device: 'hill', seen: false, used: false })
    const seen = entry({ kind: 'other', what: BLIND_SEEN, detail: { draw: draw.id } }, { device: 'desk' })
    const log = foldEntries([draw, seen, check('s1', 'A', '5 by 9')])
    expect(blindDraw(log)).toMatchObject({ seen: true, used: true })
    expect(log.undoable.map((e) => e.id)).not.toContain(seen.id)
    // A second draw has to arrive anew.
    const again = entry({ kind: 'blind', on: true, letters: { A: 'W', B: 'K' } }, { device: 'hill' })
    expect(blindDraw(foldEntries([draw, seen, again]))).toMatchObject({ id: again.id, seen: false })
    expect(blindDraw(foldEntries([draw, entry({ kind: 'blind', on: false, letters: {} })]))).toBeNull()
  })
})

it('an attenuator weakens the way that was said: in the lead both, a loop by what comes back', () => {
  const put = (weakens?: 'both ways' | 'transmit' | 'receive') =>
    entry({ kind: 'change', what: 'attenuator', linkId: null, db: 10, text: '', ...(weakens && { weakens }) })
  const felt = (...puts: Entry[]) => {
    const ways = (['to base', 'from base', 'loop'] as const).map((direction) =>
      entry({ kind: 'check', ...checkOf('s1', 'A', '5 by 9', { direction }) }),
    )
    return foldEntries([...puts, ...ways]).checks.map((c) => c.attenuationDb)
  }
  expect(felt(put())).toEqual([10, 10, 10])
  expect(felt(put('both ways'))).toEqual([10, 10, 10])
  expect(felt(put('transmit'))).toEqual([10, 0, 0])
  expect(felt(put('receive'))).toEqual([0, 10, 10])
})

describe('devices whose clocks do not agree', () => {
  /** An id of a device whose clock shows that many ms. */
  const idAt = (ms: number, n: number) =>
    `${ms
      .toString(16)
      .padStart(12, '0')
      .replace(/^(.{8})/, '$1-')}-7000-8000-${String(n).padStart(12, '0')}`
  const clocks = fc.array(fc.integer({ min: 0, max: 50 }), { minLength: 6, maxLength: 6 })
  it('an entry wins over the one that it names, whatever their ids and in whatever order they come', () => {
    fc.assert(
      fc.property(
        clocks,
        fc.array(fc.boolean(), { minLength: 5, maxLength: 5 }),
        fc.integer(),
        (ms, voids, seed) => {
          // Each of three devices in turn corrects or voids what the one before it made, having seen it.
          const thread: Entry[] = []
          for (const [i, at] of ms.entries()) {
            const before = thread[i - 1]
            const more = {
              id: idAt(1_750_000_000_000 + at, i),
              device: 'abc'[i % 3]!,
              supersedes: before?.id ?? null,
            }
            thread.push(
              before && voids[i - 1]
                ? entry({ kind: 'void', reason: `${i}` }, more)
                : check('s1', 'A', `${(i % 5) + 1} by 9`, more),
            )
          }
          const shuffled = [...thread].sort((a, b) => ((a.seq * seed) % 7) - ((b.seq * seed) % 7))
          const [found] = foldEntries(shuffled).checks
          const last = thread.at(-1)!
          const standing = thread.findLast((e) => e.body.kind === 'check')!
          expect(found!.id).toBe(thread[0]!.id)
          expect(found!.text).toBe(standing.body.kind === 'check' && standing.body.text)
          expect(found!.voided).toEqual(last.body.kind === 'void' ? { reason: last.body.reason } : null)
          expect(foldEntries(shuffled).undoable.map((e) => e.id)).toEqual(
            last.body.kind === 'void' ? [] : [last.id],
          )
        },
      ),
    )
  })
  it('of two that correct the same without knowing of each other, the later holds', () => {
    const first = check('s1', 'A', '5 by 9', { id: idAt(1_750_000_000_100, 1) })
    const late = check('s1', 'A', '3 by 3', { id: idAt(1_750_000_000_300, 2), supersedes: first.id })
    const early = check('s1', 'A', '4 by 4', { id: idAt(1_750_000_000_200, 3), supersedes: first.id })
    for (const all of [
      [first, late, early],
      [early, late, first],
    ])
      expect(foldEntries(all).checks).toMatchObject([{ text: '3 by 3', versions: 3 }])
    // Whoever settles it later names one of them, and that is what counts, on a clock that is behind as well.
    const settled = check('s1', 'A', '4 by 4', { id: idAt(1_750_000_000_000, 4), supersedes: late.id })
    expect(foldEntries([settled, first, late]).checks[0]!.text).toBe('4 by 4')
  })
})
