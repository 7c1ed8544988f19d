import { describe, expect, it } from 'vitest'
import { testEntry } from '@/core/testing/entries'
import { planWith } from '@/core/testing/plans'
import { foldEntries, type Comparison, type EntryBody } from '@/core/trial'
import { edgeIntervals, edgeWords, saidOfPairs, saidWords } from '..'

const plan = planWith({})
const state = (way: 'out' | 'home', name: string | null, distanceM: number | null): EntryBody => ({
  kind: 'state',
  linkId: 'a',
  way,
  state: name,
  distanceM,
  fix: null,
})
const edge = (what: 'last heard' | 'first lost' | 'heard again', distanceM: number): EntryBody => ({
  kind: 'edge',
  legId: 'l',
  linkId: 'a',
  direction: 'to base',
  what,
  distanceM,
  fix: null,
})
const name = (id: string) => `Rig ${id}`
const edges = (...bodies: EntryBody[]) =>
  edgeIntervals(plan, foldEntries(bodies.map((b) => testEntry(b)))).map((e) =>
    edgeWords(e, name, (id) => `leg ${id}`, 'metric'),
  )

describe('where a link was lost', () => {
  it('by ear, out and home apart: a change is noted a little late, by a tenth of the way at most', () => {
    expect(
      edges(
        state('out', 'clear', 500),
        state('out', 'first break-up', 1800),
        state('out', 'lost', 2400),
        state('home', 'lost', 2600),
        state('home', 'back', 2000),
      ),
    ).toEqual([
      'Rig a, on the way out: lost between 2.2 km and 2.4 km.',
      'Rig a, on the way home: lost between 1.8 km and 2.0 km.',
    ])
  })
  it('a change without a place or a name says nothing; one never lost is a bound', () => {
    expect(edges(state('out', null, 900), state('out', 'lost', null))).toEqual([])
    expect(edges(state('out', 'clear', 900))).toEqual([
      'Rig a, on the way out: not lost; heard at least to 900 m.',
    ])
    expect(edges(state('out', 'lost', 900))).toEqual([
      'Rig a, on the way out: lost by 900 m; nothing was noted nearer.',
    ])
  })
  it('walked to the edge, and heard again beyond', () => {
    expect(edges(edge('last heard', 2000), edge('first lost', 2200), edge('heard again', 2500))).toEqual([
      'Rig a on leg l, to base: lost between 2.0 km and 2.2 km, and heard again beyond.',
    ])
  })
  it('a second walk of the same way is one of its own', () => {
    expect(
      edges(
        edge('last heard', 2000),
        edge('first lost', 2200),
        edge('last heard', 1900),
        edge('first lost', 2000),
      ),
    ).toHaveLength(2)
  })
  it('means what the trial’s own list says', () => {
    const own = planWith({
      earStates: [
        { name: 'nix', means: 'lost' },
        { name: 'da', means: 'clear' },
      ],
    })
    const log = foldEntries([
      testEntry(state('out', 'da', 300)),
      testEntry(state('out', 'nix', 700)),
      testEntry(state('out', 'lost', 100)),
    ])
    expect(edgeIntervals(own, log)).toMatchObject([{ lostByM: 700 }])
  })
})

describe('what was said on a quick switch', () => {
  const said = (...list: [string, [string, string], Comparison][]) =>
    saidOfPairs(
      foldEntries(
        list.map(([markId, links, words]) =>
          testEntry({ kind: 'compare', markId, direction: 'to base', links, said: words, text: '' }),
        ),
      ),
    )
  it('is of the second link, whichever way the switch went; a mark counts once', () => {
    const [pair] = said(
      ['m1', ['a', 'b'], 'worse'],
      ['m1', ['b', 'a'], 'better'],
      ['m2', ['a', 'b'], 'the same'],
      ['m3', ['b', 'a'], 'gone'],
    )
    expect(pair).toMatchObject({ a: 'a', b: 'b', better: 1, alike: 1, worse: 1, reports: 4, p: null })
    expect(saidWords(pair!, name)).toBe(
      'On a quick switch: Rig a better at 1, alike at 1, Rig b better at 1 of 3 marks; too few for a verdict.',
    )
  })
  it('another station that says so is a listener of its own, and counts once', () => {
    const station = (who: string, linkId: string | null, against: string, words: Comparison): EntryBody => ({
      kind: 'station',
      name: who,
      place: '',
      direction: 'from base',
      linkId,
      text: '',
      against: { linkId: against, said: words },
    })
    const [pair] = saidOfPairs(
      foldEntries([
        testEntry(station('Hill 4', 'b', 'a', 'better')),
        testEntry(station('hill 4 ', 'a', 'b', 'a little worse')),
        testEntry(station('Boat', 'a', 'b', 'gone')),
        // Who does not know the rig says nothing of it.
        testEntry(station('Farm', null, 'b', 'better')),
      ]),
    )
    expect(pair).toMatchObject({ a: 'a', b: 'b', better: 0, worse: 2, stations: 2, reports: 3 })
    expect(saidWords(pair!, name)).toContain('Rig b better at 2 of 2 listeners; too few for a verdict.')
  })
  it('six of six is told, by the exact sign test: two chances in 64', () => {
    const [pair] = said(
      ...['1', '2', '3', '4', '5', '6'].map((m): [string, [string, string], Comparison] => [
        m,
        ['a', 'b'],
        'a little better',
      ]),
    )
    expect(pair!.p).toBeCloseTo(2 / 64, 12)
    expect(saidWords(pair!, name)).toBe(
      'On a quick switch: Rig a better at 0, alike at 0, Rig b better at 6 of 6 marks; Rig b is better (exact sign test p = 0.031).',
    )
  })
})
