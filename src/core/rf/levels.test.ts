import { describe, expect, it } from 'vitest'
import * as fc from 'fast-check'
import * as rf from '.'

// Expected values: the plan's check values, rounded there; those marked numpy were computed apart with
// numpy.linalg.lstsq.
const near = (value: number, expected: number, digits = 2) => expect(value).toBeCloseTo(expected, digits)

describe('levels', () => {
  it('5 W is 36.99 dBm and 0.25 µV is -119.03 dBm; EMF is 6.02 dB lower', () => {
    near(rf.dbmOfWatts(5), 36.99)
    near(rf.dbmOfMicrovolts(0.25), -119.03)
    near(rf.dbmOfMicrovolts(0.25) - rf.dbmOfMicrovolts(0.25, 'EMF'), 6.02)
    near(rf.microvoltsOfDbm(-119.03), 0.25, 3)
  })
  it('says what is out of range', () => {
    expect(() => rf.dbmOfMicrovolts(0)).toThrow(/microvolts must be above 0/)
    expect(() => rf.gammaOfSwr(0.9)).toThrow(/swr must be 1 or more/)
    expect(() => rf.swrOfGamma(1.1)).toThrow(/0 to 1/)
    expect(() => rf.gammaOfReturnLoss(-1)).toThrow(RangeError)
    expect(() => rf.gammaOfMismatchLoss(-1)).toThrow(RangeError)
    expect(() => rf.matchedLossDb({ k1: 1, k2: 0 }, { frequencyMHz: 100, lengthM: -1 })).toThrow(/lengthM/)
    expect(() => rf.matchedLossDb({ k1: 1, k2: 0 }, { frequencyMHz: 0, lengthM: 1 })).toThrow(/frequencyMHz/)
    expect(() => rf.mismatchedLoss(1, 1)).toThrow(/gammaAtLoad/)
    expect(() => rf.mismatchedLoss(-1, 0)).toThrow(/matchedDb/)
    expect(() => rf.distanceRatio(6, 0)).toThrow(/slope/)
    expect(() => rf.elementLengthM({ frequencyMHz: 460, waves: 0.25, velocityFactor: 1.2 })).toThrow(
      /velocity/,
    )
    expect(() => rf.fitLineLoss([])).toThrow(/at least one point/)
    expect(() => rf.fitLineLoss([{ frequencyMHz: 10, dbPer100m: 0 }])).toThrow(/above 0/)
  })
  it('gain against a dipole', () => {
    near(rf.dbiOf(3, 'dBd'), 5.15)
    near(rf.dbdOfDbi(5.15), 3)
  })
})

describe('match', () => {
  it.each([
    [1.5, 13.98, 0.18],
    [2, 9.54, 0.51],
    [3, 6.02, 1.25],
  ])('SWR %d: return loss %d dB, mismatch loss %d dB', (swr, returnLoss, mismatch) => {
    const gamma = rf.gammaOfSwr(swr)
    near(rf.returnLossDb(gamma), returnLoss)
    near(rf.mismatchLossDb(gamma), mismatch)
    near(rf.swrOfGamma(gamma), swr, 9)
    near(rf.gammaOfReturnLoss(rf.returnLossDb(gamma)), gamma, 9)
    near(rf.gammaOfMismatchLoss(rf.mismatchLossDb(gamma)), gamma, 9)
  })
  it('20 m of 5 mm coax at 155 MHz into SWR 3: 4.14 matched, 5.23 in all, the radio sees 1.48', () => {
    const matched = rf.matchedLossDb({ k1: 1.389, k2: 0.0221 }, { frequencyMHz: 155, lengthM: 20 })
    near(matched, 4.14)
    const { totalDb, gammaAtInput } = rf.mismatchedLoss(matched, 0.5)
    near(totalDb, 5.23)
    near(rf.swrOfGamma(gammaAtInput), 1.48)
  })
  it('pieces in a row compose, and forward power loses the matched loss and the mismatch of the load', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 20, noNaN: true }),
        fc.double({ min: 0, max: 20, noNaN: true }),
        fc.double({ min: 0, max: 0.95, noNaN: true }),
        (one, two, gamma) => {
          const far = rf.mismatchedLoss(two, gamma)
          const nearer = rf.mismatchedLoss(one, far.gammaAtInput)
          const whole = rf.mismatchedLoss(one + two, gamma)
          near(nearer.totalDb + far.totalDb, whole.totalDb, 8)
          near(whole.totalDb + rf.mismatchLossDb(whole.gammaAtInput), one + two + rf.mismatchLossDb(gamma), 8)
        },
      ),
    )
  })
})

describe('lines', () => {
  it('a data sheet’s points are fitted by least squares', () => {
    const points = [50, 150, 450, 900].map((f) => ({
      frequencyMHz: f,
      dbPer100m: 0.553 * Math.sqrt(f) + 0.0087 * f,
    }))
    const fit = rf.fitLineLoss(points)
    near(fit.k1, 0.553, 6)
    near(fit.k2, 0.0087, 6)
    // numpy: lstsq([sqrt f, f], y) on 100, 400, 1000 MHz with 5, 11, 19 dB per 100 m
    const rough = rf.fitLineLoss(
      [
        [100, 5],
        [400, 11],
        [1000, 19],
      ].map(([f, y]) => ({ frequencyMHz: f!, dbPer100m: y! })),
    )
    near(rough.k1, 0.4579631, 6)
    near(rough.k2, 0.00452672, 6)
    expect(rf.fitLineLoss([{ frequencyMHz: 100, dbPer100m: 10 }])).toEqual({ k1: 1, k2: 0 })
    expect(
      rf.fitLineLoss([
        { frequencyMHz: 100, dbPer100m: 1 },
        { frequencyMHz: 400, dbPer100m: 16 },
      ]).k1,
    ).toBe(0)
    expect(
      rf.fitLineLoss([
        { frequencyMHz: 100, dbPer100m: 10 },
        { frequencyMHz: 400, dbPer100m: 12 },
      ]).k2,
    ).toBe(0)
  })
  it('connectors lose a little more the higher the frequency', () => {
    expect([100, 700, 2400].map(rf.connectorPairLossDb)).toEqual([0.05, 0.1, 0.15])
  })
})

describe('elements and polarisation', () => {
  it('a quarter wave at 460 MHz: 162.9 mm, times 0.95 154.8 mm', () => {
    near(rf.elementLengthM({ frequencyMHz: 460, waves: 0.25, velocityFactor: 1 }) * 1000, 162.9, 1)
    near(rf.elementLengthM({ frequencyMHz: 460, waves: 0.25, velocityFactor: 0.95 }) * 1000, 154.8, 1)
    const table = rf.lengthsOverBand({ fromMHz: 430, toMHz: 440, steps: 2, velocityFactor: 0.97 })
    expect(table.map((r) => r.frequencyMHz)).toEqual([430, 435, 440])
    expect(table[0]!.lengthsM).toHaveLength(rf.FRACTIONS.length)
  })
  it.each([
    [10, 0.13],
    [40, 2.3],
    [60, 5.94],
    [90, 22],
  ])('turned by %d degrees with 22 dB of discrimination: %d dB', (angle, db) => {
    near(rf.polarisationLossDb(angle, 22), db)
  })
})

describe('ratios and meters', () => {
  it('3 dB twice, 10 dB ten times, 20 dB a hundred times; ten times as far costs 20 or 40 dB', () => {
    near(rf.powerRatio(3), 1.995, 3)
    near(rf.powerRatio(20), 100)
    near(rf.dbOfPowerRatio(10), 10)
    near(rf.distanceRatio(20, 2), 10)
    near(rf.distanceRatio(40, 4), 10)
    near(rf.dbOfDistanceRatio(10, 4), 40)
    expect(() => rf.dbOfPowerRatio(0)).toThrow(RangeError)
  })
  it('S9 is -73 dBm below 30 MHz and -93 above, 6 dB a step; a meter’s own points go before it', () => {
    expect(rf.dbmOfSUnits(9, 7)).toBe(-73)
    expect(rf.dbmOfSUnits(7, 145)).toBe(-105)
    expect(rf.sUnitsText(rf.sUnitsOfDbm(-73, 145))).toBe('S9+20')
    expect(rf.sUnitsText(rf.sUnitsOfDbm(-105, 145))).toBe('S7')
    expect(rf.sUnitsText(-2)).toBe('under S0')
    const points = [
      { units: 1, dbm: -120 },
      { units: 9, dbm: -88 },
    ]
    expect(rf.dbmOfSUnits(5, 145, points)).toBe(-104)
    expect(rf.sUnitsOfDbm(-104, 145, points)).toBe(5)
    expect(rf.dbmOfSUnits(10, 145, points)).toBe(-84)
  })
})

describe('noise', () => {
  it('rural, 155 MHz, 11 kHz, F 8 dB: Fa 6.53 dB, floor -123.7 dBm', () => {
    const externalDb = rf.manMadeNoiseDb('rural', 155)
    near(externalDb, 6.53)
    near(rf.noiseFloorDbm({ bandwidthHz: 11000, externalDb, noiseFigureDb: 8, leadLossDb: 0 }), -123.7, 1)
    expect(rf.manMadeNoiseDb('quiet rural', 2000)).toBe(0)
  })
  it('a long lead keeps surroundings out and leaves the receiver’s own noise', () => {
    const floor = (leadLossDb: number) =>
      rf.noiseFloorDbm({ bandwidthHz: 11000, externalDb: 15, noiseFigureDb: 6, leadLossDb })
    expect(floor(0)).toBeGreaterThan(floor(10))
    near(floor(200), -174 + 10 * Math.log10(11000) + 6)
    near(rf.noiseFigureDb({ sensitivityDbm: -119.03, bandwidthHz: 11000, carrierToNoiseDb: 8 }), 6.56, 1)
  })
})

describe('distance to keep', () => {
  const at = { powerW: 25, gainDbi: 5.2, frequencyMHz: 155, limitWm2: 2 }
  it('25 W, 5.2 dBi, 155 MHz, 2 W/m²: 3.63 m, given as 3.7', () => {
    const d = rf.keepAway(at)
    if (!d.given) throw new Error('none')
    near(d.computedM, 3.63)
    expect(d.distanceM).toBe(3.7)
    expect(d.heldBy).toBe('the limit')
  })
  it('never less than the near field or the antenna; none below 30 MHz or at the body', () => {
    expect(rf.keepAway({ ...at, powerW: 0.01, antennaLengthM: 5 })).toMatchObject({
      distanceM: 5,
      heldBy: 'the antenna’s length',
    })
    expect(rf.keepAway({ ...at, powerW: 0.01 })).toMatchObject({ heldBy: 'the near field' })
    expect(rf.keepAway({ ...at, frequencyMHz: 7 })).toEqual({ given: false, why: 'below 30 MHz' })
    expect(rf.keepAway({ ...at, atBody: true })).toEqual({ given: false, why: 'at the body' })
    expect(rf.keepAway({ ...at, limitWm2: null })).toEqual({ given: false, why: 'no limit known' })
    expect(() => rf.keepAway({ ...at, duty: 0 })).toThrow(/duty/)
    expect(() => rf.keepAway({ ...at, powerW: 0 })).toThrow(/powerW/)
  })
  it('limits by frequency', () => {
    const bands = [
      { fromMHz: 30, toMHz: 400, limitWm2: 2, perMHz: null },
      { fromMHz: 400, toMHz: 2000, limitWm2: null, perMHz: 200 },
    ]
    expect(rf.exposureLimitWm2(bands, 155)).toBe(2)
    expect(rf.exposureLimitWm2(bands, 460)).toBe(2.3)
    expect(rf.exposureLimitWm2(bands, 5)).toBeNull()
  })
})
