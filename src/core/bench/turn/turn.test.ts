import { describe, expect, it } from 'vitest'
import { polarisationLossDb } from '@/core/rf'
import { seededRandom } from '@/core/stats'
import { angleLosing, fitCosine } from './crossed'
import { overloadCheck } from './overload'
import { folded, missingSectors, mostHidden, patternFigures } from './pattern'
import { meanPowerDb, pointsOf, repeatability, type TurnReading } from './readings'
import { anglesToTake, farFieldM, readTyped, turnFaults } from './turnFaults'
import { twoTurned } from './twoTurned'

/** A pattern of cos²: 20·lg of cos² of half the angle, a cardioid. */
const cardioid = (deg: number) => 20 * Math.log10(Math.max(1e-6, (1 + Math.cos((deg * Math.PI) / 180)) / 2))
const turned = (law: (deg: number) => number, step = 10, floorDb = -Infinity): TurnReading[] =>
  anglesToTake(step).map((angleDeg) => ({
    angleDeg,
    db: Math.max(floorDb, law(angleDeg)),
    atOrBelow: law(angleDeg) < floorDb,
  }))
const figuresOf = (r: TurnReading[]) => patternFigures(pointsOf(r))!

describe('readings of a turn', () => {
  it('are averaged as power, not in dB', () => {
    // 10 lg((1 + 0.1)/2)
    expect(meanPowerDb([0, -10])).toBeCloseTo(-2.5964, 4)
    const [p] = pointsOf([
      { angleDeg: 370, db: 0, atOrBelow: false },
      { angleDeg: 10, db: -10, atOrBelow: false },
      { angleDeg: -350, db: -5, atOrBelow: false },
    ])
    expect(p).toMatchObject({ angleDeg: 10, readings: 3, spreadDb: 10 })
  })

  it('tell how well they repeat', () => {
    const r = repeatability(
      [0, 1, 2, 3].flatMap((a) => [-1, 1].map((e) => ({ angleDeg: a * 90, db: e, atOrBelow: false }))),
    )!
    // Each pair has a variance of 2 with one degree of freedom.
    expect(r.sdDb).toBeCloseTo(Math.SQRT2, 12)
    expect(r.free).toBe(4)
    expect(repeatability([{ angleDeg: 0, db: 1, atOrBelow: false }])).toBeNull()
  })

  it('are read as they are typed', () => {
    expect(readTyped('-63')).toEqual({ db: -63, atOrBelow: false })
    expect(readTyped('<-120')).toEqual({ db: -120, atOrBelow: true })
    expect(readTyped('≤ −118,5 dBm')).toEqual({ db: -118.5, atOrBelow: true })
    expect(readTyped('loud')).toBeNull()
  })
})

describe('a pattern all round', () => {
  it('has the beamwidths of a cardioid: 131.1 degrees at 3 dB, 180 at 6', () => {
    // (1 + cos a)/2 = 10^(-3/20): a = 65.5°; 10^(-6.0206/20) = 1/2: a = 90°; scipy's root gives the same
    const fine = figuresOf(turned(cardioid, 1, -60))
    expect(fine.beam3!.widthDeg).toBeCloseTo(131.1, 0)
    expect(fine.beam6!.widthDeg).toBeCloseTo(179.7, 0)
    expect(fine.peakDeg).toBeCloseTo(0, 6)
    // A flat top read a little higher beside its middle still points along the middle.
    const flat = turned((d) => (d === 345 ? 0.5 : cardioid(d)), 15, -60)
    expect(Math.abs(((figuresOf(flat).peakDeg + 180) % 360) - 180)).toBeLessThan(4)
    const coarse = figuresOf(turned(cardioid, 15, -60))
    expect(Math.abs(coarse.beam3!.widthDeg - 131.1)).toBeLessThan(3)
  })

  it('says "at least" where the floor cuts off the back', () => {
    const f = figuresOf(turned(cardioid, 10, -20))
    expect(f.frontToBack).toEqual({ db: expect.closeTo(20, 6), atLeast: true })
    expect(f.frontToSide.left).toEqual({ db: expect.closeTo(6.02, 2), atLeast: false })
    expect(f.frontToRear.atLeast).toBe(false)
  })

  it('finds both nulls of a dipole and how sharp they are', () => {
    const dipole = (deg: number) => 20 * Math.log10(Math.max(0.01, Math.abs(Math.sin((deg * Math.PI) / 180))))
    const f = figuresOf(turned(dipole, 10))
    expect(f.nulls.map((n) => n.angleDeg)).toEqual([0, 180])
    // From sin 10° = 0.1736 (-15.2 dB) to the floor of -40 in 10 degrees
    expect(f.sharpness.null).toBeCloseTo((40 - 15.206) / 10, 2)
    // sin² = 1/2 lies at 45 and 135 degrees
    expect(Math.abs(f.beam3!.widthDeg - 90)).toBeLessThan(1.5)
  })

  it('is none of three angles, or with a sector missing', () => {
    expect(patternFigures(pointsOf(turned(cardioid, 120)))).toBeNull()
    const gap = pointsOf(turned(cardioid, 10).filter((r) => r.angleDeg < 100 || r.angleDeg > 200))
    expect(patternFigures(gap)).toBeNull()
    expect(missingSectors(gap)).toEqual([{ fromDeg: 90, toDeg: 210 }])
  })

  it('knows no beam of an antenna that hears alike all round', () => {
    const f = figuresOf(turned(() => -60, 45))
    expect(f.beam3).toBeNull()
    expect(f.nulls).toEqual([])
  })

  it('folded hides what the body takes from one side', () => {
    const law = (deg: number) => cardioid(deg) - (deg > 180 && deg < 360 ? 7 : 0)
    const f = folded(pointsOf(turned(law, 15, -50)), 0)
    const hidden = mostHidden(f)
    expect(hidden.db).toBeCloseTo(7, 6)
    expect(hidden.stronger).toBe('right')
  })
})

describe('a known attenuator', () => {
  it('shows in full, or the receiver is compressed', () => {
    expect(overloadCheck(10, -40, -50, false).verdict).toBe('linear')
    expect(overloadCheck(10, -40, -46, false)).toEqual({ verdict: 'compressed', shownDb: 6 })
    expect(overloadCheck(10, -112, -116, true).verdict).toBe('at the floor')
    expect(overloadCheck(10, -40, -56, false).verdict).toBe('more than it took')
  })
})

describe('two antennas turned', () => {
  const noisy = (law: (d: number) => number, seed: number) => {
    const r = seededRandom(seed)
    return [0, 1].flatMap(() => turned(law, 15).map((x) => ({ ...x, db: x.db + 0.5 * r.normal() })))
  }
  const sharp = (deg: number) => 2 * cardioid(deg) - 55
  const wide = (deg: number) => cardioid(deg) - 58
  const better = (a: TurnReading[], b: TurnReading[], first = 0) =>
    twoTurned(a, b, { firstLossDb: first, secondLossDb: 0 })!.map((v) => v.better)

  it('are judged for each purpose by itself', () => {
    expect(better(noisy(sharp, 1), noisy(wide, 2))).toEqual(['first', 'first', expect.any(String)])
    expect(better(noisy(wide, 3), noisy(sharp, 4))).toEqual(['second', 'second', expect.any(String)])
  })

  it('are evened: a lead of 3 dB on the second takes the lead of the first away', () => {
    const v = twoTurned(noisy(sharp, 5), noisy(wide, 6), { firstLossDb: 0, secondLossDb: 3 })!
    expect(v[0]!.better).toBe('cannot tell')
  })

  it('cannot be told apart where nothing was read twice', () => {
    expect(
      twoTurned(turned(sharp, 15), turned(wide, 15), { firstLossDb: 0, secondLossDb: 0 })!.every(
        (v) => v.better === 'cannot tell',
      ),
    ).toBe(true)
  })

  it('do not give a null that goes below the floor to the other', () => {
    const floored = [0, 1].flatMap(() => turned((d) => cardioid(d) - 58, 15, -75))
    const v = twoTurned(noisy(sharp, 7), floored, { firstLossDb: 0, secondLossDb: 0 })!
    expect(v[2]).toMatchObject({ better: 'cannot tell', why: expect.stringContaining('floor') })
  })
})

describe('antennas turned against each other', () => {
  const law = (deg: number) => -50 - polarisationLossDb(deg - 4, 22)
  it('have their alignment and isolation found again', () => {
    const r = seededRandom(8)
    const fit = fitCosine(pointsOf(turned((d) => law(d) + 0.3 * r.normal(), 10)))!
    expect(fit.alignedDeg).toBeCloseTo(4, 0)
    expect(Math.abs(fit.isolationDb - 22)).toBeLessThan(1.5)
    expect(fit.levelDb).toBeCloseTo(-50, 0)
    expect(fit.atLeast).toBe(false)
  })

  it('have an isolation of at least so much where the floor hides it', () => {
    const fit = fitCosine(pointsOf(turned(law, 10, -64)))!
    expect(fit.atLeast).toBe(true)
    // -50 less the floor of -64
    expect(fit.isolationDb).toBeCloseTo(14, 0)
  })

  it('lose 6 dB at 60 degrees, 12 at 75.5, and never more than their isolation', () => {
    // arccos(10^(-6.0206/20)) = 60°, arccos(10^(-12/20)) = 75.45°, without cross-polar; by hand
    expect(angleLosing(6.0206, 300)).toBeCloseTo(60, 3)
    expect(angleLosing(12, 300)).toBeCloseTo(75.45, 2)
    expect(angleLosing(18, 15)).toBeNull()
    expect(polarisationLossDb(angleLosing(12, 22)!, 22)).toBeCloseTo(12, 9)
  })
})

describe('what can be wrong with a turn', () => {
  const codes = (r: TurnReading[]) => turnFaults(r, true).map((f) => f.code)
  it('is told', () => {
    expect(codes([{ angleDeg: 370, db: 1, atOrBelow: false }])).toEqual(['angle-turned'])
    expect(codes([{ angleDeg: 4000, db: 1, atOrBelow: false }])).toEqual(['angle'])
    expect(codes([{ angleDeg: 0, db: NaN, atOrBelow: false }])).toEqual(['level'])
    expect(codes(turned(cardioid, 10).filter((r) => r.angleDeg < 100))).toEqual(['sector'])
  })
  it('is a distance too short: 2 D²/λ', () => {
    // 2 · 1.2² / (299.79/435) = 4.18 m
    expect(farFieldM(1.2, 435)).toBeCloseTo(4.179, 2)
  })
})
