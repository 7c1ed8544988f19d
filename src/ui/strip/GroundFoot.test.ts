import { describe, expect, it } from 'vitest'
import { linkKey, type LegGround, type PlanGround } from '@/core/reach'
import { link as linkOf, mark as markOf, planWith, rig } from '@/core/testing/plans'
import { foldEntries } from '@/core/trial'
import { stripModel } from './model'

const lying = { antennaHeightM: 2, antennaGainDbi: 0 }
const link = linkOf(rig('A', lying), rig('H', lying))
const mark = (legId: string, distanceM: number) =>
  markOf(`${legId}${distanceM}`, distanceM, { legId, legName: legId })
const marks = [mark('a', 1000), mark('a', 4000), mark('b', 1000), mark('b', 2000)]
const plan = planWith({ links: [link], marks })
const leg = (legId: string, far: number, chance: number): LegGround => ({
  legId,
  legName: legId,
  ground: [
    { distanceM: 0, heightM: 5 },
    { distanceM: far, heightM: 40 },
  ],
  marks: [],
  chances: {
    [linkKey(link)]: [
      { distanceM: 1, chance: 1 },
      { distanceM: far, chance },
    ],
  },
  knownToM: null,
})
const ground: PlanGround = {
  baseGroundM: 5,
  baseAntennaM: 8,
  correctedBy: null,
  expected: [],
  legs: [leg('a', 4000, 0.2), leg('b', 2000, 0.8)],
}
const model = (legId: string | null, g: PlanGround | null) =>
  stripModel(plan, marks, foldEntries([]), new Map(), legId, g)

describe('the strip over its ground', () => {
  it('has the ground of the legs shown, and the wedge from it', () => {
    const both = model(null, ground)
    expect(both.ground!.legs.map((l) => l.legId)).toEqual(['a', 'b'])
    const one = model('a', ground)
    expect(one.ground!.legs.map((l) => l.legId)).toEqual(['a'])
    const last = one.lanes[0]!.wedge[one.lanes[0]!.wedge.length - 1]!
    expect(last.chance).toBeLessThan(0.3)
    expect(last.distanceM).toBeLessThanOrEqual(4000)
  })

  it('takes the mean of the legs that reach so far', () => {
    const at = (d: number) =>
      model(null, ground).lanes[0]!.wedge.reduce((a, b) =>
        Math.abs(b.distanceM - d) < Math.abs(a.distanceM - d) ? b : a,
      )
    // At 1.9 km: leg a is at about 0.62, leg b at about 0.81.
    expect(at(1900).chance).toBeGreaterThan(0.65)
    expect(at(1900).chance).toBeLessThan(0.78)
    expect(at(2400).chance).toBeLessThan(0.6)
  })

  it('falls back to smooth ground where none is known', () => {
    const smooth = model(null, null)
    expect(smooth.ground).toBeNull()
    expect(smooth.lanes[0]!.wedge.length).toBeGreaterThan(20)
    expect(model(null, { ...ground, baseGroundM: null }).ground).toBeNull()
  })
})
