import { describe, expect, it } from 'vitest'
import { inverse } from '@/core/geo'
import type { Rig } from '@/core/kit'
import { link as linkOf, rig as rigOf } from '@/core/testing/plans'
import { freeSpaceLoss, modelLoss, planeEarthLoss, whyNot, type PathGeometry } from '@/core/propagation'
import { packHeights, terrainOf, type HeightGrid } from '@/core/terrain'
import type { Mark, TrialPlan } from '@/core/trial'
import { planGround } from './legGround'
import { meanChances } from './planGround'
import { linkKey } from './linkKey'
import { neededDbm, predict, predictBoth, USUAL_PREDICTION } from './predict'

const rig = (id: string, more: Partial<Rig> = {}) =>
  rigOf(id, { powerW: 5, antennaHeightM: 1.5, antennaGainDbi: 0, bodyLossDb: 0, ...more })
const base = rig('H', { kind: 'base', powerW: 25, antennaHeightM: 10, antennaGainDbi: 5 })
const link = (b: Rig, o: Rig) => ({ ...linkOf(o, b), id: `${b.id}-${o.id}` })
const flat = (km: number) => {
  const distancesKm = Array.from({ length: 51 }, (_, i) => (km * i) / 50)
  return { distancesKm, heightsM: distancesKm.map(() => 5) }
}
const bare = { ...USUAL_PREDICTION, baseStands: 'open', farStands: 'open' } as const

describe('predict', () => {
  it('in free space is power, gains and free-space loss, and nothing else', () => {
    const p = predict(
      link(base, rig('A')),
      'from base',
      { distanceKm: 2, profile: null },
      { ...bare, model: 'free space' },
    )
    // 25 W is 43.98 dBm; 5 dBi; 460 MHz 2 km by 32.45 + 20 lg f + 20 lg d.
    expect(p.levelDbm).toBeCloseTo(43.979 + 5 - freeSpaceLoss(460, 2), 2)
    expect(p.marginDb).toBeCloseTo(p.levelDbm - p.neededDbm, 9)
  })
  it('needs the sensitivity, the noise around and the copy that is agreed', () => {
    // 0.25 µV across 50 ohm is -119 dBm.
    expect(neededDbm(rig('A'), 460, bare)).toBeCloseTo(-119 + bare.copyDb, 0)
    expect(neededDbm(rig('A', { sensitivityDbm: -110 }), 460, bare)).toBeCloseTo(-104, 0)
    const city = neededDbm(rig('A'), 155, { ...bare, surroundings: 'city' })
    expect(city).toBeGreaterThan(neededDbm(rig('A'), 155, { ...bare, surroundings: 'quiet rural' }) + 5)
  })
  it('takes each direction at its own frequency, with its own losses and body', () => {
    const split = rig('S', {
      txMHz: 455,
      rxMHz: 465,
      bodyLossDb: 4,
      atRx: { antennaGainDbi: -3, leadLossDb: 1, attenuatorDb: 0 },
    })
    const b = { ...base, txMHz: 465, rxMHz: 455 }
    const { toBase, fromBase } = predictBoth(link(b, split), { distanceKm: 3, profile: flat(3) }, bare)
    expect([toBase.frequencyMHz, fromBase.frequencyMHz]).toEqual([455, 465])
    const same = predictBoth(
      link(b, { ...split, atRx: undefined, bodyLossDb: 0 }),
      { distanceKm: 3, profile: flat(3) },
      bare,
    )
    expect(same.toBase.levelDbm - toBase.levelDbm).toBeCloseTo(4, 6)
    expect(same.fromBase.levelDbm - fromBase.levelDbm).toBeCloseTo(8, 6)
  })
  it('counts what is not known of a rig as doubt, and where its base’s antenna points', () => {
    const path = { distanceKm: 3, profile: flat(3) }
    const whip = rig('W', { antennaGainDbi: null })
    const [known, unknown] = [rig('W', { antennaGainDbi: -1 }), whip].map((r) =>
      predict(link(base, r), 'to base', path, { ...bare, copyDb: 30 }),
    )
    // Taken as -4 to 2 dBi: the same middle, and a chance nearer to one half.
    expect(unknown!.marginDb).toBeCloseTo(known!.marginDb, 0)
    expect(Math.abs(unknown!.chance - 0.5)).toBeLessThan(Math.abs(known!.chance - 0.5) - 0.003)
    const set = { ...bare, gains: { [whip.id]: { dbi: -11, sdDb: 0 } } }
    expect(predict(link(base, whip), 'to base', path, set).levelDbm).toBeCloseTo(unknown!.levelDbm - 10, 9)
    const pattern = [
      { angleDeg: 0, db: 0 },
      { angleDeg: 180, db: -20 },
    ]
    const beam = link({ ...base, pattern, azimuthDeg: 90 }, whip)
    const at = (bearingDeg: number, more = {}) =>
      predict(beam, 'to base', { ...path, bearingDeg, ...more }, bare).levelDbm
    expect(at(90) - at(270)).toBeCloseTo(20, 9)
    expect(at(270, { fromOther: true })).toBeCloseTo(at(90), 9)
  })
  it('says which way is the weaker and why', () => {
    const { weaker, why } = predictBoth(link(base, rig('A')), { distanceKm: 3, profile: flat(3) }, bare)
    expect(weaker.direction).toBe('to base')
    expect(why).toMatch(/^to base is the weaker by 7\.0 dB: the base sends 7\.0 dB more$/)
    expect(
      predictBoth(link(base, rig('A', { powerW: 25 })), { distanceKm: 3, profile: flat(3) }, bare).why,
    ).toBe('both ways alike')
    const deaf = rig('A', { powerW: 25, sensitivityDbm: -105 })
    expect(
      predictBoth(link({ ...base, sensitivityDbm: -120 }, deaf), { distanceKm: 3, profile: flat(3) }, bare)
        .why,
    ).toContain('the one out there needs 1')
  })
  it('names the model that had no answer, and stands in with plane earth', () => {
    const p = predict(link(base, rig('A')), 'to base', { distanceKm: 5, profile: null }, bare)
    expect(p.insteadOf).toBe('terrain')
    expect(p.notes).toContain('the ground is not known here')
    const hf = predict(
      link({ ...base, txMHz: 7 }, rig('A', { txMHz: 7 })),
      'to base',
      { distanceKm: 5, profile: flat(5) },
      bare,
    )
    expect(hf.insteadOf).toBe('terrain')
    expect(hf.notes.join()).toContain('10 MHz and up')
  })
})

describe('models and where they hold', () => {
  const at = (more: Partial<PathGeometry> = {}): PathGeometry => ({
    frequencyMHz: 460,
    distanceKm: 5,
    baseM: 40,
    farM: 1.5,
    profile: flat(5),
    vertical: false,
    ...more,
  })
  it('say why they do not apply', () => {
    expect(whyNot('terrain', at())).toEqual([])
    expect(whyNot('Egli', at())).toEqual([])
    expect(whyNot('Hata, urban', at())).toEqual([])
    expect(whyNot('Hata, urban', at({ baseM: 8, distanceKm: 30, frequencyMHz: 100, farM: 20 }))).toHaveLength(
      4,
    )
    expect(whyNot('Egli', at({ frequencyMHz: 1200, distanceKm: 0.2 }))).toHaveLength(2)
    expect(whyNot('free space', at({ distanceKm: 60 }))).toContain('the far end lies beyond the horizon')
    expect(whyNot('plane earth', at({ distanceKm: 0.1, profile: null }))[0]).toContain(
      'nearer than its break',
    )
    const hill = { distancesKm: [0, 2, 5], heightsM: [0, 90, 0] }
    expect(whyNot('plane earth', at({ profile: hill }))).toContain('the ground is not flat')
    for (const model of ['plane earth', 'Egli', 'Hata, open', 'free space'] as const)
      expect(whyNot(model, at({ frequencyMHz: 7 })).join()).toContain('below 30 MHz')
    expect(whyNot('terrain', at({ frequencyMHz: 14 })).join()).toContain('not the ground wave or the sky')
  })
  it('give their loss', () => {
    expect(modelLoss('plane earth', at({ distanceKm: 8, baseM: 10 })).db).toBeCloseTo(
      planeEarthLoss(460, 8, 10, 1.5),
      9,
    )
    expect(
      modelLoss('plane earth', at({ distanceKm: 8, baseM: 10, vertical: true, frequencyMHz: 155 })).db!,
    ).toBeLessThan(planeEarthLoss(155, 8, 10, 1.5))
    expect(modelLoss('Hata, suburban', at({ frequencyMHz: 450, baseM: 30 })).db).toBeCloseTo(134.87, 2)
    expect(modelLoss('terrain', at({ profile: null })).db).toBeNull()
    expect(modelLoss('terrain', at()).db!).toBeGreaterThan(freeSpaceLoss(460, 5))
  })
})

describe('the ground along a plan’s legs', () => {
  const step = 0.001
  const cells = 101
  const values = Float32Array.from({ length: cells * cells }, (_, i) => (i % cells === 60 ? 80 : 5))
  const grid: HeightGrid = {
    width: cells,
    height: cells,
    west: -30,
    north: 47,
    stepLon: step,
    stepLat: step,
    filled: null,
    ...packHeights(values),
  }
  const from = { lat: 46.95, lon: -29.97 }
  const mark = (name: string, lon: number): Mark => {
    const { distanceM, bearingDeg } = inverse(from, { lat: 46.95, lon })
    return {
      id: name,
      name,
      legId: 'leg',
      legName: 'East',
      distanceM,
      distanceSdM: null,
      alongM: null,
      bearingDeg,
      lat: 46.95,
      lon,
    }
  }
  const plan = (marks: Mark[]): TrialPlan =>
    ({
      base: { name: 'B', ...from },
      links: [link(base, rig('A'))],
      marks,
      directions: ['to base', 'from base'],
    }) as unknown as TrialPlan
  const terrain = terrainOf([grid])
  it('tells how each mark lies, and the chance falls behind the wall', () => {
    const g = planGround(
      terrain,
      plan([mark('1', -29.96), mark('2', -29.945), mark('3', -29.93), mark('4', -29.91)]),
    )!
    const [leg] = g.legs
    expect(leg!.marks.map((m) => m.kind === 'shadowed')).toEqual([false, false, true, true])
    expect(leg!.marks[3]!.overM).toBeGreaterThan(60)
    expect(leg!.knownToM).toBeNull()
    expect(g.baseAntennaM).toBe(10)
    const key = linkKey(plan([]).links[0]!)
    const chances = leg!.chances[key]!
    expect(chances.length).toBeGreaterThan(10)
    const mean = meanChances(g.legs, key, [500, 4000, 90_000])
    expect(mean).toHaveLength(2)
    expect(mean[0]!.chance).toBeGreaterThan(mean[1]!.chance)
    expect(meanChances([], key, [500])).toEqual([])
  })
  it('predicts as far as the ground is known, and says so', () => {
    const g = planGround(terrain, plan([mark('1', -29.96), mark('2', -29.91), mark('3', -29.87)]))!
    expect(g.legs[0]!.knownToM).toBeGreaterThan(4000)
    expect(g.legs[0]!.marks[2]).toMatchObject({ groundM: null, kind: null })
  })
  it('has nothing to say where the base is unknown or outside', () => {
    expect(planGround(terrain, { ...plan([]), base: null })).toBeNull()
    expect(planGround(terrain, { ...plan([]), base: { name: 'B', lat: 10, lon: 10 } })).toBeNull()
    expect(planGround(terrain, { ...plan([]), base: { name: 'B', lat: null, lon: null } })).toBeNull()
  })
})
