import { describe, expect, it } from 'vitest'
import { antennaOwnLossDb, modeOf, MODES, raisedByNoiseDb, usualSensitivityDbm } from '@/core/rf'
import { link, rig } from '@/core/testing/plans'
import {
  bodyTaken,
  crossedDb,
  gainTaken,
  linkDoubtDb,
  lossBeforeReceiverDb,
  patternOf,
  towards,
} from './taken'

const hand = (txMHz: number, more = {}) =>
  rig('A', { kind: 'handheld', txMHz, antennaGainDbi: null, ...more })

describe('what a prediction takes where nobody measured', () => {
  it('a short whip with the hand about it lies at -15 to -5 dBi on VHF, nine times in ten', () => {
    const [gain, body] = [gainTaken(hand(155), true), bodyTaken(hand(155))]
    // By hand: the middle of -12 to -2 less that of 1 to 5; spreads of 10 and 4 dB, each 3.29 of its own wide.
    expect(gain.db - body.db).toBeCloseTo(-10, 9)
    expect(Math.hypot(gain.sdDb, body.sdDb)).toBeCloseTo(Math.hypot(10, 4) / 3.29, 9)
    expect(gain.from).toBe('a short whip on a radio')
  })
  it('less is lost on UHF, and a quarter wave on a roof has 0 to 2 dBi', () => {
    expect(gainTaken(hand(460), true).db - bodyTaken(hand(460)).db).toBeCloseTo(-4, 9)
    const roof = rig('M', { kind: 'mobile', place: 'car roof', antennaGainDbi: null, txMHz: 155 })
    expect(gainTaken(roof, true).db).toBeCloseTo(1, 9)
    expect(bodyTaken(roof)).toEqual({ db: 0, sdDb: 0, from: null })
  })
  it('a figure that was measured counts with no doubt; else what was set; else the claim less 2 dB', () => {
    expect(gainTaken(hand(155, { antennaGainDbi: -7 }), true)).toEqual({ db: -7, sdDb: 0, from: null })
    const set = { [rig('A').id]: { dbi: -9, sdDb: 1 } }
    expect(gainTaken(hand(155, { claimedGainDbi: 2 }), true, set)).toEqual({
      db: -9,
      sdDb: 1,
      from: 'what was set',
    })
    expect(gainTaken(hand(155, { claimedGainDbi: 2 }), true).db).toBeCloseTo(0, 9)
    expect(bodyTaken(hand(155, { bodyLossDb: 0 })).sdDb).toBe(0)
  })
  it('a frequency for receiving has its own', () => {
    const split = hand(90, { rxMHz: 460 })
    expect(gainTaken(split, true).db).toBeLessThan(gainTaken(split, false).db - 8)
  })
  it('doubts of both ends add as squares', () => {
    const known = rig('H', { kind: 'base', antennaGainDbi: 5, bodyLossDb: 0 })
    const [one, two] = [hand(155), rig('B', { kind: 'other station', antennaGainDbi: null, bodyLossDb: 0 })]
    expect(linkDoubtDb(link(known, known))).toBe(0)
    const [a, b] = [linkDoubtDb(link(one, known)), linkDoubtDb(link(known, two))]
    expect(linkDoubtDb(link(one, two))).toBeCloseTo(Math.hypot(a, b), 9)
  })
})

describe('noise from outside', () => {
  it('is weakened by what the antenna, the body and the lead lose, as the signal is', () => {
    expect([antennaOwnLossDb(-10), antennaOwnLossDb(6)]).toEqual([12.15, 0])
    const own = rig('A', { antennaGainDbi: -10, bodyLossDb: 3, leadLossDb: 1, attenuatorDb: 6 })
    expect(lossBeforeReceiverDb(own)).toBeCloseTo(22.15, 9)
    const at = { bandwidthHz: 11_000, externalDb: 15, noiseFigureDb: 6 }
    // By hand: 10 lg((31.62 - 1)/1 + 3.98) - 10 lg 3.98, and with 12.15 dB before it 10 lg(30.62/16.41 + 3.98) - 6.
    expect(raisedByNoiseDb({ ...at, lossDb: 0 })).toBeCloseTo(9.39, 2)
    expect(raisedByNoiseDb({ ...at, lossDb: 12.15 })).toBeCloseTo(1.67, 2)
  })
  it('a rig’s own words give its mode; narrow FM where they say nothing', () => {
    expect(['FM', 'USB', 'CW', 'AM', 'digital voice', 'data, 2x2', '', 'Hamlet'].map(modeOf)).toEqual([
      MODES.FM,
      MODES.SSB,
      MODES.CW,
      MODES.AM,
      MODES['digital voice'],
      MODES.data,
      MODES.FM,
      MODES.FM,
    ])
    expect(usualSensitivityDbm(MODES.FM, 11_000)).toBeCloseTo(-119, 1)
    // -174 + 10 lg 2400 + 10 + 6.6.
    expect(usualSensitivityDbm(MODES.SSB, 2400)).toBeCloseTo(-123.6, 1)
  })
})

describe('polarisation and pattern', () => {
  it('crossed loses 10 dB at the most near the ground, slant 2.6, circular 3; alike where nobody says', () => {
    const of = (polarisation?: 'vertical' | 'horizontal' | 'slant' | 'circular', crossPolarDb?: number) =>
      rig('A', { ...(polarisation ? { polarisation } : {}), ...(crossPolarDb ? { crossPolarDb } : {}) })
    expect(crossedDb(of('vertical'), of('horizontal', 22))).toBeCloseTo(10, 9)
    expect(crossedDb(of('vertical'), of('horizontal', 6))).toBeCloseTo(6, 9)
    // -10 lg(0.5 + 0.5 · 0.1).
    expect(crossedDb(of('slant'), of('vertical'))).toBeCloseTo(2.6, 2)
    expect(crossedDb(of('circular'), of('vertical'))).toBeCloseTo(3.01, 2)
    expect([crossedDb(of(), of('horizontal')), crossedDb(of(), of())]).toEqual([0, 0])
  })
  it('a rod that leans loses by its lean, at both ends, and never more than crossed ones do', () => {
    const of = (tiltDeg: number, more = {}) => rig('A', { polarisation: 'vertical', tiltDeg, ...more })
    // -10 lg(cos² + 0.1 sin²) of 30 and of 45 degrees.
    expect(crossedDb(of(30), of(0))).toBeCloseTo(1.107, 3)
    expect(crossedDb(of(-30), of(45))).toBeCloseTo(1.107 + 2.596, 3)
    expect(crossedDb(of(90), of(0))).toBeCloseTo(10, 9)
    expect(crossedDb(of(80), of(80))).toBeCloseTo(10, 9)
    expect(crossedDb(of(30), rig('B', { polarisation: 'horizontal' }))).toBeCloseTo(10, 9)
    expect(crossedDb(of(30, { polarisation: 'circular' }), of(0))).toBeCloseTo(3.01, 2)
    // One that points is tilted to look up, and stands as it should.
    expect(crossedDb(of(30, { azimuthDeg: 10, pattern: [{ angleDeg: 0, db: 0 }] }), of(0))).toBe(0)
  })
  it('a pattern is read between its points, below its strongest, and folded where one side was measured', () => {
    const half = [
      { angleDeg: 0, db: 9 },
      { angleDeg: 30, db: 6 },
      { angleDeg: 90, db: -9 },
      { angleDeg: 180, db: -5 },
    ]
    expect([0, 15, -15, 60, 300, 180, 540].map(patternOf(half))).toEqual([
      0, -1.5, -1.5, -10.5, -10.5, -14, -14,
    ])
    const whole = [
      { angleDeg: -90, db: -20 },
      { angleDeg: 0, db: 0 },
      { angleDeg: 90, db: -10 },
    ]
    expect([45, -45, 180].map(patternOf(whole))).toEqual([-5, -10, -15])
    expect(patternOf([])(10)).toBe(0)
  })
  it('counts where it is known where it points', () => {
    const pattern = [
      { angleDeg: 0, db: 0 },
      { angleDeg: 180, db: -18 },
    ]
    expect(towards(rig('H', { pattern, azimuthDeg: 350 }))!(10)).toBeCloseTo(-2, 9)
    expect(towards(rig('H', { pattern }))).toBeNull()
    // Looking up by 60 degrees, what lies straight ahead is off by as much, and all level directions are the more alike.
    const up = towards(rig('H', { pattern, azimuthDeg: 350, tiltDeg: 60 }))!
    expect(up(350)).toBeCloseTo(-6, 9)
    expect(up(80)).toBeCloseTo(-9, 9)
    expect(up(170)).toBeCloseTo(-12, 9)
    expect([towards(rig('H', { pattern, azimuthDeg: 0 })), towards(rig('H'))].map((t) => t !== null)).toEqual(
      [true, false],
    )
  })
})
