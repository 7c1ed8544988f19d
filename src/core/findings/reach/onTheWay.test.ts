import { describe, expect, it } from 'vitest'
import { testEntry } from '@/core/testing/entries'
import { foldEntries, type Comparison, type EntryBody, type TrialPlan } from '@/core/trial'
import { edgeIntervals, edgeWords, saidOfPairs, saidWords } from '..'

const plan = { links: [] } as unknown as TrialPlan
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
  edgeIntervals(plan, foldEntries(bodies.map((b) => testEntry(b)))).map((e) => edgeWords(e, name, 'metric'))

describe('where a link was lost', () => {
  it('by ear, out and home apart: between where it was still heard and where it was not', () => {
    expect(
      edges(
        state('out', 'clear', 500),
        state('out', 'first break-up', 1800),
        state('out', 'lost', 2400),
        state('home', 'lost', 2600),
        state('home', 'back', 2000),
      ),
    ).toEqual([
      'Rig a, on the way out, by ear: lost between 1.8 km and 2.4 km.',
      'Rig a, on the way home, by ear: lost between 2.0 km and 2.6 km.',
    ])
  })
  it('a change without a place or a name says nothing; one never lost is a bound', () => {
    expect(edges(state('out', null, 900), state('out', 'lost', null))).toEqual([])
    expect(edges(state('out', 'clear', 900))).toEqual([
      'Rig a, on the way out, by ear: not lost; heard at least to 900 m.',
    ])
    expect(edges(state('out', 'lost', 900))).toEqual([
      'Rig a, on the way out, by ear: lost by 900 m; nearer nothing was noted.',
    ])
  })
  it('walked to the edge, and heard again beyond', () => {
    expect(edges(edge('last heard', 2000), edge('first lost', 2200), edge('heard again', 2500))).toEqual([
      'Rig a, to base, walked to the edge: lost between 2.0 km and 2.2 km, and heard again beyond.',
    ])
  })
  it('means what the trial’s own list says', () => {
    const own = {
      links: [],
      earStates: [
        { name: 'nix', means: 'lost' },
        { name: 'da', means: 'clear' },
      ],
    } as unknown as TrialPlan
    const log = foldEntries([
      testEntry(state('out', 'da', 300)),
      testEntry(state('out', 'nix', 700)),
      testEntry(state('out', 'lost', 100)),
    ])
    expect(edgeIntervals(own, log)).toMatchObject([{ heardToM: 300, lostByM: 700 }])
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
