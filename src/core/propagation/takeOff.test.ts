import { describe, expect, it } from 'vitest'
import {
  groundReflection,
  hopElevationDeg,
  takeOffCrossingsKm,
  takeOffDifferenceDb,
  takeOffGainDbi,
  type SkyAntenna,
} from './takeOff'

const dipole = (heightM: number): SkyAntenna => ({ kind: 'horizontal dipole', heightM, groundLossDb: 0 })
const vertical: SkyAntenna = { kind: 'quarter-wave vertical', heightM: 0, groundLossDb: 0 }

describe('by way of the sky', () => {
  it('leaves at the elevations of the plan’s check values', () => {
    expect(hopElevationDeg(100)).toBeCloseTo(80.1, 1)
    expect(hopElevationDeg(400)).toBeCloseTo(54.8, 1)
    expect(hopElevationDeg(1000)).toBeCloseTo(28.1, 1)
    expect(hopElevationDeg(3900)).toBeNull()
    expect(hopElevationDeg(1000, 110)!).toBeLessThan(20)
  })
  it('has the gains of R’s complex arithmetic with the current integrated by quadrature', () => {
    expect(takeOffGainDbi(dipole(6), 8, 7.1)).toBeCloseTo(-9.656204, 4)
    expect(takeOffGainDbi(dipole(6), 25, 7.1)).toBeCloseTo(-0.711993, 4)
    expect(takeOffGainDbi(dipole(6), 60, 7.1)).toBeCloseTo(4.026749, 4)
    expect(takeOffGainDbi(dipole(12), 30, 14.2)).toBeCloseTo(7.068088, 4)
    expect(takeOffGainDbi(vertical, 8, 7.1)).toBeCloseTo(-2.866889, 4)
    expect(takeOffGainDbi(vertical, 25, 7.1)).toBeCloseTo(0.432578, 4)
    expect(takeOffGainDbi(vertical, 15, 3.6)).toBeCloseTo(-0.224204, 4)
  })
  it('takes what is lost in the ground off, and reflects wholly at grazing', () => {
    expect(takeOffGainDbi({ ...vertical, groundLossDb: 3 }, 25, 7.1)).toBeCloseTo(0.432578 - 3, 4)
    const [re, im] = groundReflection(0.01, 7.1, 'vertical')
    expect(Math.hypot(re, im)).toBeCloseTo(1, 2)
    expect(re).toBeCloseTo(-1, 2)
  })
  it('a low wire is ahead near by and a vertical far away; two alike never change places', () => {
    const [crossing, ...more] = takeOffCrossingsKm(dipole(6), vertical, 7.1)
    expect(more).toEqual([])
    expect(takeOffDifferenceDb(dipole(6), vertical, crossing! * 0.8, 7.1)!).toBeGreaterThan(0)
    expect(takeOffDifferenceDb(dipole(6), vertical, crossing! * 1.2, 7.1)!).toBeLessThan(0)
    expect(takeOffCrossingsKm(vertical, { ...vertical, groundLossDb: 2 }, 7.1)).toEqual([])
    expect(takeOffDifferenceDb(dipole(6), vertical, 3900, 7.1)).toBeNull()
  })
})
