import { describe, expect, it } from 'vitest'
import type { Face } from './LinkedNumbers'
import { GAIN_FACES, levelFaces, MATCH_FACES, RADIATED_FACES, ratioFaces } from './dbFaces'

const faceOf = (faces: Face[], id: string) => faces.find((f) => f.id === id)!
const shown = (faces: Face[], base: number) =>
  Object.fromEntries(faces.map((f) => [f.id, f.of(base)])) as Record<string, number>

describe('linked numbers', () => {
  it('come back to where they began from every face', () => {
    const sets: [Face[], number[]][] = [
      [levelFaces(-73, 145), [-120, -73, 0, 37]],
      [MATCH_FACES, [0.05, 0.2, 0.5, 0.9]],
      [GAIN_FACES, [-3, 2.15, 12]],
      [RADIATED_FACES, [10, 37]],
      [ratioFaces({ slope: 3.4, low: 3, high: 3.9, marks: 9 } as never), [-6, 0.5, 10]],
    ]
    for (const [faces, bases] of sets)
      for (const face of faces) for (const base of bases) expect(face.to(face.of(base))).toBeCloseTo(base, 6)
  })

  it('of a level: 1 W is 30 dBm, 0 dBW, 7.07 V across 50 ohm and twice that open', () => {
    const at = shown(levelFaces(30, 145), 30)
    expect(at.W).toBeCloseTo(1, 12)
    expect(at.dBW).toBe(0)
    expect(at['µV']).toBeCloseTo(Math.sqrt(50) * 1e6, 0)
    expect(at.EMF).toBeCloseTo(2 * Math.sqrt(50) * 1e6, 0)
  })

  it('of a meter: S9 is -73 dBm below 30 MHz and -93 dBm above', () => {
    expect(faceOf(levelFaces(-73, 7), 'S').of(-73)).toBeCloseTo(9, 9)
    expect(faceOf(levelFaces(-93, 145), 'S').of(-93)).toBeCloseTo(9, 9)
  })

  it('of a match: SWR 3 gives back a quarter, 6 dB down, and loses 1.25 dB', () => {
    const at = shown(MATCH_FACES, faceOf(MATCH_FACES, 'swr').to(3))
    expect(at.gamma).toBeCloseTo(0.5, 12)
    expect(at.back).toBeCloseTo(25, 9)
    expect(at.rl).toBeCloseTo(20 * Math.log10(2), 9)
    expect(at.ml).toBeCloseTo(-10 * Math.log10(0.75), 9)
    for (const [id, wrong] of [
      ['swr', 0.9],
      ['gamma', 1.2],
      ['back', 101],
      ['back', -1],
    ] as const)
      expect(() => faceOf(MATCH_FACES, id).to(wrong)).toThrow(RangeError)
  })

  it('of a difference: 10 dB are ten times the power, 3.2 times the reach in free space and 1.8 near the ground', () => {
    const at = shown(ratioFaces(null), 10)
    expect(at.power).toBeCloseTo(10, 9)
    expect(at.free).toBeCloseTo(Math.sqrt(10), 9)
    expect(at.ground).toBeCloseTo(10 ** 0.25, 9)
    expect(at).not.toHaveProperty('here')
    const measured = ratioFaces({ slope: 2.5, low: 2, high: 3.1, marks: 9 } as never)
    expect(faceOf(measured, 'here').of(10)).toBeCloseTo(10 ** 0.4, 9)
    expect(faceOf(measured, 'here').help).toBe('25 dB a decade, measured (20 to 31)')
  })
})
