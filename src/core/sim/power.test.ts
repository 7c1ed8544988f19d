import { describe, expect, it } from 'vitest'
import { link, plan, rig } from '@/core/testing/plans'
import { linkKey } from '@/core/reach'
import { marksForPower, tryTells, type PowerAsked } from './power'

const p = plan([link(rig('a')), link(rig('b', { powerW: 20 }))], 12)
const share = (asked: Partial<PowerAsked>, tries = 24, expected: Parameters<typeof tryTells>[1] = []) => {
  const whole = { marks: 12, repeats: 1, spreadDb: 4.5, marginDb: 3, ...asked }
  let told = 0
  for (let seed = 1; seed <= tries; seed++) if (tryTells(p, expected, whole, seed)) told++
  return told / tries
}

describe('power by simulation', () => {
  it('a large difference is told nearly always, none hardly ever', () => {
    expect(share({ marginDb: 12, marks: 16 })).toBeGreaterThan(0.9)
    expect(share({ marginDb: 0 })).toBeLessThan(0.2)
  })
  it('more marks tell more, more spread less', () => {
    expect(share({ marks: 24, marginDb: 5 }, 12)).toBeGreaterThan(share({ marks: 6, marginDb: 5 }, 12))
    expect(share({ spreadDb: 2.5, marginDb: 4 }, 12)).toBeGreaterThan(share({ spreadDb: 9, marginDb: 4 }, 12))
  })
  it('judges small plans as often alike as a whole fit of each log would', () => {
    const asked = { marks: 6, repeats: 1, spreadDb: 4.5, marginDb: 4 }
    const seeds = Array.from({ length: 40 }, (_, i) => i + 1)
    const [roughly, whole] = [undefined, {}].map((s) => seeds.map((seed) => tryTells(p, [], asked, seed, s)))
    const more = seeds.filter((_, i) => roughly![i]! && !whole![i]!).length
    const less = seeds.filter((_, i) => !roughly![i]! && whole![i]!).length
    expect(more + less).toBeLessThanOrEqual(5)
    expect(Math.abs(more - less)).toBeLessThanOrEqual(3)
  })
  it('goes by this ground: where nothing is heard nothing is told', () => {
    const deaf = p.marks.flatMap((m) =>
      p.links.map((l) => ({
        markId: m.id,
        key: linkKey(l),
        direction: 'to base' as const,
        levelDbm: -175,
        marginDb: 20,
        chance: 0,
      })),
    )
    expect(share({ marginDb: 8 }, 8, deaf)).toBe(0)
  })
  it('takes the plan’s marks, some of them, or others between them', () => {
    expect(marksForPower(p.marks, 12).map((m) => m.distanceM)).toEqual(p.marks.map((m) => m.distanceM))
    const more = marksForPower(p.marks, 23)
    expect(more[1]!.distanceM).toBeCloseTo((p.marks[0]!.distanceM + p.marks[1]!.distanceM) / 2, 6)
    expect(marksForPower(p.marks, 3).map((m) => m.distanceM)).toEqual([300, 1675, 3050])
    expect(marksForPower([], 5)).toEqual([])
    expect(
      tryTells({ ...p, links: [p.links[0]!] }, [], { marks: 6, repeats: 1, spreadDb: 4, marginDb: 3 }, 1),
    ).toBe(false)
  })
})
