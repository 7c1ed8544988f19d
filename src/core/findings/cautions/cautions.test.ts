import { describe, expect, it } from 'vitest'
import { checkOf, link, logged, plan, rig } from '@/core/testing/plans'
import type { LoggedCheck } from '@/core/trial'
import { cautionWords, inputOf, makeFindings } from '..'

const links = [link(rig('a')), link(rig('b'))]
const id = (x: string) => x
const at = (hour: number) => new Date(Date.UTC(2026, 4, 16, 8) + hour * 3_600_000).toISOString()

/** A run over marks of which each link's reports are given, S-units or null, outwards. */
function found(
  reports: Record<'a' | 'b', (number | null)[]>,
  hourOf: (linkId: string, mark: number) => number = (_, m) => m / 8,
) {
  const p = { ...plan(links, reports.a.length), directions: ['to base' as const] }
  const checks = logged(
    Object.entries(reports).flatMap(([linkId, list]) =>
      list.map((s, m) =>
        checkOf(p.marks[m]!.id, linkId, s === null ? 'not heard' : `${s > 2 ? 4 : 2} by ${s}`, {
          direction: 'to base',
        }),
      ),
    ),
  ).map((c): LoggedCheck => ({
    ...c,
    time: at(
      hourOf(
        c.linkId,
        p.marks.findIndex((m) => m.id === c.markId),
      ),
    ),
  }))
  return makeFindings(inputOf(p, p.marks, checks, true))
}

describe('the order of time', () => {
  const alike = [9, 9, 8, 8, 7, 6, 6, 5, 5, 4, 4, 3]
  it('one rig on the way out and the other on the way back is said, and what drift could have done', () => {
    const { cautions } = found({ a: alike, b: alike }, (l, m) => (l === 'a' ? m / 6 : 4.2 - m / 6))
    const order = cautions.find((c) => c.kind === 'order')!
    const words = cautionWords(order, id, id, 'metric')
    expect(words).toMatch(/^a was checked before b at all 12 marks, by 2\.\d hours in the mean\. /)
    const [, drift, db] = /up to ([\d.]+) dB an hour could make ([\d.]+) dB/.exec(words)!
    expect(Number(db)).toBeCloseTo(Number(drift) * (order as { hours: number }).hours, 0)
    expect(Number(db)).toBeGreaterThan(1)
  })
  it('turns taken at each mark are no cause for it', () => {
    const { cautions } = found({ a: alike, b: alike }, (l, m) => m / 6 + (l === 'a' ? 0 : 0.02))
    expect(cautions.filter((c) => c.kind === 'order')).toEqual([])
  })
})

describe('a lone contact far out', () => {
  const near = [8, 5, null, null, null]
  it('is named, with the reach without it', () => {
    const { cautions, usable } = found({ a: [...near, 9], b: [...near, null] })
    const lone = cautions.find((c) => c.kind === 'lone contact')!
    expect(lone).toMatchObject({ linkId: 'a', markId: 'm5' })
    if (lone.kind !== 'lone contact') throw new Error()
    expect(lone.reach).toEqual(usable.find((u) => u.linkId === 'a' && u.chance === 0.9)!.reach)
    expect(lone.without.estimateM!).not.toBe(lone.reach.estimateM)
    expect(cautionWords(lone, id, id, 'metric')).toMatch(
      /^m5 alone, far beyond every other copy of a, decides how far it reaches\. Without it a reaches \d/,
    )
  })
  it('is none where copies thin out', () => {
    const a = [9, 8, 7, 6, 5, null, 4, 4, null, 3, null, null]
    expect(found({ a, b: a }).cautions.filter((c) => c.kind === 'lone contact')).toEqual([])
  })
})

describe('ground that is shared far along the way', () => {
  it('is said where levels of neighbours hang together over much of the only leg', () => {
    // A long swell of 24 dB over the way, and next to nothing from mark to mark.
    const swell = [9, 9, 9, 8, 8, 7, 6, 5, 4, 4, 4, 5, 6, 7, 8, 8, 8, 7]
    const said = found({ a: swell, b: swell }).cautions.filter((c) => c.kind === 'shared ground')
    expect(said).toHaveLength(1)
    expect(cautionWords(said[0]!, id, id, 'metric')).toMatch(
      /may share their ground over about \d.*m of a way of \d.*m: how far each reaches is then told from hardly more than one/,
    )
  })
  it('is not where every mark is its own', () => {
    const rough = [9, 7, 9, 6, 8, 9, 5, 8, 4, 7, 3, 6, 4, 2, 5, 3, 4, 2]
    expect(found({ a: rough, b: rough }).cautions.filter((c) => c.kind === 'shared ground')).toEqual([])
  })
})
