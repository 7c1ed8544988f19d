import { describe, expect, it } from 'vitest'
import { testEntry } from '@/core/testing/entries'
import { checkOf, link, mark, planWith, rig } from '@/core/testing/plans'
import { foldEntries } from './foldEntries'
import { surprisingSilence } from './surprising'

const plan = planWith({
  links: [link(rig('a')), link(rig('b'))],
  marks: [100, 200, 300].map((m) => mark(`m${m}`, m)).concat(mark('other', 500, { legId: 'k' })),
})
const made = (...reports: [string, string, string][]) =>
  reports.map(([markId, linkId, text]) => testEntry({ kind: 'check', ...checkOf(markId, linkId, text) }))
const said = (entries: ReturnType<typeof made>, chance: number | null = null) =>
  surprisingSilence(plan, foldEntries(entries), () => chance)?.because ?? null

describe('a silence that surprises', () => {
  it('is one where copy was expected, or farther out than which it was heard', () => {
    expect(said(made(['m200', 'a', 'not heard']))).toBeNull()
    expect(said(made(['m200', 'a', 'not heard']), 0.3)).toBeNull()
    expect(said(made(['m200', 'a', 'no copy']), 0.92)).toBe('where 9 times in 10 was expected')
    expect(said(made(['m300', 'a', '4 by 3'], ['m200', 'a', 'not heard']))).toBe(
      'though it was heard farther out',
    )
    // Another rig, another leg, a nearer mark: no surprise.
    expect(said(made(['m300', 'b', '4 by 3'], ['m200', 'a', 'not heard']))).toBeNull()
    expect(said(made(['other', 'a', '4 by 3'], ['m200', 'a', 'not heard']))).toBeNull()
    expect(said(made(['m100', 'a', '4 by 3'], ['m200', 'a', 'not heard']))).toBeNull()
  })
  it('is not offered of what was heard, nor once another check followed or it was looked into', () => {
    expect(said(made(['m200', 'a', '5 by 9']), 0.9)).toBeNull()
    expect(said(made(['m200', 'a', 'not heard'], ['m200', 'b', '5 by 9']), 0.9)).toBeNull()
    const failed = made(['m200', 'a', 'not heard'])
    const test = testEntry({
      kind: 'other',
      what: 'test',
      detail: { about: failed[0]!.id, test: 'higher', heard: true },
    })
    expect(said([...failed, test], 0.9)).toBeNull()
    expect(
      said([...failed, testEntry({ kind: 'noise', markId: 'm200', text: 'S4', note: '' })], 0.9),
    ).toBeNull()
  })
})
