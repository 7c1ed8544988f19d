import { describe, expect, it } from 'vitest'
import { testEntry } from '@/core/testing/entries'
import { checkOf, link, mark, planWith, rig } from '@/core/testing/plans'
import { foldEntries } from './foldEntries'
import { keysFarther, silentLinks } from './lostFarther'
import { schedule } from './schedule'

const plan = planWith({
  links: [link(rig('a')), link(rig('b'))],
  marks: [100, 200, 300, 400].map((m) => mark(`m${m}`, m)).concat(mark('other', 500, { legId: 'k' })),
})
const log = (reports: [string, string, string][]) =>
  foldEntries(
    reports.map(([markId, linkId, text]) => testEntry({ kind: 'check', ...checkOf(markId, linkId, text) })),
  )

describe('a link that is lost', () => {
  it('is offered to be left out after two silent marks, and only then', () => {
    const once = log([
      ['m100', 'a', '5 by 7'],
      ['m200', 'a', 'not heard'],
      ['m200', 'b', '4 by 5'],
    ])
    expect(silentLinks(plan, once, 'l')).toEqual([])
    const twice = log([
      ['m100', 'a', 'not heard'],
      ['m200', 'a', 'nil'],
      ['m200', 'b', 'not heard'],
    ])
    expect(silentLinks(plan, twice, 'l')).toMatchObject([
      {
        linkId: 'a',
        marks: [{ id: 'm100' }, { id: 'm200' }],
        farther: [{ markId: 'm300' }, { markId: 'm400' }],
      },
    ])
    expect(silentLinks(plan, twice, 'k')).toEqual([])
  })
  it('heard again in between is not offered; left out, it is asked on the other leg still', () => {
    const between = log([
      ['m100', 'a', 'not heard'],
      ['m200', 'a', '2 by 2'],
      ['m300', 'a', 'not heard'],
    ])
    expect(silentLinks(plan, between, 'l')).toEqual([])
    const keys = keysFarther(plan, between, 'a', plan.marks[2]!)
    const left = foldEntries([testEntry({ kind: 'skip', keys, reason: 'lost by m300' })])
    const open = schedule(plan, left).filter((c) => c.state === 'to do' && c.linkId === 'a')
    expect(open.map((c) => c.markId)).toEqual(['m100', 'm200', 'm300', 'other'])
    expect(silentLinks(plan, left, 'l')).toEqual([])
  })
})
