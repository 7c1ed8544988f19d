import { describe, expect, it } from 'vitest'
import { link, plan, rig } from '@/core/testing/plans'
import { linkKey } from '@/core/reach'
import { marksForPower, PowerTries } from './power'

const p = plan([link(rig('a')), link(rig('b', { powerW: 20 }))], 12)
const share = (
  asked: Partial<ConstructorParameters<typeof PowerTries>[2]>,
  tries = 24,
  expected: ConstructorParameters<typeof PowerTries>[1] = [],
) => {
  const trying = new PowerTries(p, expected, { marks: 12, repeats: 1, spreadDb: 4.5, marginDb: 3, ...asked })
  let told = 0
  for (let seed = 1; seed <= tries; seed++) if (trying.tells(seed)) told++
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
      new PowerTries({ ...p, links: [p.links[0]!] }, [], {
        marks: 6,
        repeats: 1,
        spreadDb: 4,
        marginDb: 3,
      }).tells(1),
    ).toBe(false)
  })
})
