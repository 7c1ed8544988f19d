import { describe, expect, it } from 'vitest'
import type { Rig } from '@/core/kit'
import { USUAL_PREDICTION } from '.'
import { link as linkOf, mark as markOf, rig as rigOf } from '@/core/testing/plans'
import type { GroundProfile } from '@/core/terrain'
import { edgesOf, marksOnGround } from './marksOnGround'
import { sitePrediction } from './sitePrediction'

const rig = (id: string, more: Partial<Rig>) => rigOf(id, { antennaHeightM: 1.5, antennaGainDbi: 0, ...more })
const link = {
  ...linkOf(rig('A', {}), rig('H', { powerW: 25, antennaHeightM: 8, antennaGainDbi: 5 })),
  id: 'l',
}
const mark = (id: string, distanceM: number) => markOf(id, distanceM, { bearingDeg: 90, lat: 47, lon: -30 })
/** Flat ground with a ridge half way, of a given height. */
const ground = (lengthKm: number, ridgeM: number, knownKm = lengthKm): GroundProfile => {
  const distancesKm = Float64Array.from({ length: 61 }, (_, i) => (lengthKm * i) / 60)
  return {
    lengthKm,
    bearingDeg: 90,
    knownKm,
    cover: null,
    distancesKm,
    heightsM: distancesKm.map((_, i) => (i > 27 && i < 33 ? 5 + ridgeM : 5)),
  }
}
const marks = [mark('near', 1000), mark('middle', 4000), mark('far', 9000)]
const over = (ridgeM: number) => new Map(marks.map((m) => [m.id, ground(m.distanceM / 1000, ridgeM)]))

describe('marks on their ground', () => {
  it('have a height, a lie, and the weaker direction of each link', () => {
    const [near, middle] = marksOnGround(marks, over(60), [link], USUAL_PREDICTION)
    expect(near).toMatchObject({ groundM: 5, kind: 'shadowed' })
    expect(middle!.weaker.l!.direction).toBe('to base')
    expect(middle!.weaker.l!.chance).toBeLessThan(near!.weaker.l!.chance)
  })
  it('are not predicted where the ground between is not known', () => {
    const profiles = new Map([
      ['near', ground(1, 0)],
      ['middle', ground(4, 0, 2)],
    ])
    const [near, middle, far] = marksOnGround(marks, profiles, [link], USUAL_PREDICTION)
    expect(near!.kind).not.toBeNull()
    expect(middle).toMatchObject({ groundM: 5, kind: null, weaker: {} })
    expect(far).toMatchObject({ groundM: null, weaker: {} })
  })
  it('tell whether the edge comes, and what would bring it', () => {
    const flat = marksOnGround(marks, over(0), [link], USUAL_PREDICTION)
    const [never] = edgesOf(flat.slice(0, 2), [link])
    expect(never).toMatchObject({ comes: false, edgeM: null })
    expect(never!.attenuationDb).toBeGreaterThan(1)
    const [comes] = edgesOf(marksOnGround(marks, over(250), [link], USUAL_PREDICTION), [link])
    expect(comes).toMatchObject({ comes: true, attenuationDb: null })
    expect(edgesOf([], [link])).toEqual([])
    // A ridge before the middle mark alone: the last one hears it again.
    const shadowed = new Map([...over(0), ['middle', ground(4, 3000)]] as const)
    const near = { ...link, base: { ...link.base, antennaHeightM: 60 } }
    const [again] = edgesOf(marksOnGround(marks, shadowed, [near], USUAL_PREDICTION), [near])
    expect(again!.comes).toBe(false)
    expect(again!.gaps.map((m) => m.id)).toEqual(['middle'])
    expect(never!.gaps).toEqual([])
  })
})

describe('a site', () => {
  it('covers more with a higher mast, and says what a relay there would do', () => {
    const low = sitePrediction(marks, over(40), link, 4, USUAL_PREDICTION, true)!
    const high = sitePrediction(marks, over(40), link, 60, USUAL_PREDICTION, true)!
    expect(high.meanMarginDb).toBeGreaterThan(low.meanMarginDb + 5)
    expect(high.coveredShare).toBeGreaterThanOrEqual(low.coveredShare)
    expect(high.inSight).toBeGreaterThanOrEqual(low.inSight)
    expect(high.relayedShare).toBeGreaterThanOrEqual(low.relayedShare)
    expect(low.marks).toBe(3)
    expect(sitePrediction(marks, new Map(), link, 4, USUAL_PREDICTION, true)).toBeNull()
  })
})
