import { beforeEach, describe, expect, it } from 'vitest'
import { usedOf } from '@/core/offered'
import { USUAL_PREDICTION } from '@/core/reach'
import type { Rings } from '@/core/terrain'
import { freshDatabase } from './testing/database'
import { testDay } from './testing/day'
import { rollingGround } from './testing/ground'
import {
  addAreas,
  copyTrial,
  deleteGrid,
  groundOf,
  groundOfTrial,
  importDay,
  listAreas,
  newId,
  openTrial,
  planOf,
  predictionOf,
  setFlatGround,
  setPrediction,
  storeGrid,
  takeGround,
  type Db,
} from '.'

let db: Db
let trialId: string
beforeEach(() => {
  ;({ db } = freshDatabase())
  trialId = importDay(db, testDay(() => newId()).day, 'hash', 'spring.csv', true)
})

const open = () => openTrial(db, trialId)!
const ground = () => groundOfTrial(db, open())
const base = () => ({ lat: open().site!.lat!, lon: open().site!.lon! })

const square = (lat: number, lon: number, d = 0.02): Rings => [
  [
    [lon - d, lat - d],
    [lon + d, lat - d],
    [lon + d, lat + d],
    [lon - d, lat + d],
    [lon - d, lat - d],
  ],
]

describe('the ground of a trial', () => {
  it('is by itself what lies where it is', () => {
    const { lat, lon } = base()
    storeGrid(db, 'here.hgt', rollingGround(lat, lon, 80))
    storeGrid(db, 'elsewhere.hgt', rollingGround(lat + 5, lon, 80))
    addAreas(db, [
      { name: 'Wood', kind: 'wood', heightM: 15, rings: square(lat, lon) },
      { name: 'Far wood', kind: 'wood', heightM: 15, rings: square(lat, lon + 3) },
    ])
    expect(usedOf(ground().grids).map((g) => g.name)).toEqual(['here.hgt'])
    expect(usedOf(ground().areas).map((a) => a.name)).toEqual(['Wood'])
    expect(ground().grids.map((g) => g.near)).toEqual([true, false])
  })
  it('is what somebody says against that, for this trial alone, until the ground goes', () => {
    const { lat, lon } = base()
    const here = storeGrid(db, 'here.hgt', rollingGround(lat, lon, 80))
    const far = storeGrid(db, 'elsewhere.hgt', rollingGround(lat + 5, lon, 80))
    const other = copyTrial(db, trialId, 'Another', 1, true)!
    expect(takeGround(db, trialId, 'grid', here, false).ok).toBe(true)
    expect(takeGround(db, trialId, 'grid', far, true).ok).toBe(true)
    expect(usedOf(ground().grids).map((g) => g.name)).toEqual(['elsewhere.hgt'])
    expect(usedOf(groundOfTrial(db, openTrial(db, other)!).grids).map((g) => g.name)).toEqual(['here.hgt'])
    const copy = copyTrial(db, trialId, 'Like it', 1, true)!
    expect(usedOf(groundOfTrial(db, openTrial(db, copy)!).grids).map((g) => g.name)).toEqual([
      'elsewhere.hgt',
    ])
    expect(groundOf(db, trialId, planOf(open()))).toBeNull()
    deleteGrid(db, far)
    expect(usedOf(ground().grids)).toEqual([])
    expect(takeGround(db, 'none', 'grid', here, true)).toMatchObject({ ok: false })
  })
  it('made of heights at a few places counts in the trial that they were brought into, and in no other', () => {
    const { lat, lon } = base()
    const other = copyTrial(db, trialId, 'Another', 1, true)!
    storeGrid(db, 'typed heights.txt', rollingGround(lat, lon, 30), trialId)
    expect(usedOf(ground().grids)).toHaveLength(1)
    expect(usedOf(groundOfTrial(db, openTrial(db, other)!).grids)).toEqual([])
  })
  it('flat, what stands on it counts and hills do not', () => {
    const { lat, lon } = base()
    storeGrid(db, 'here.hgt', rollingGround(lat, lon, 300))
    const hilly = groundOf(db, trialId, planOf(open()))!
    expect(setFlatGround(db, trialId, true).ok).toBe(true)
    const flat = groundOf(db, trialId, planOf(open()))!
    expect(new Set(flat.legs.flatMap((l) => l.ground.map((g) => Math.round(g.heightM))))).toEqual(
      new Set([1]),
    )
    const level = (g: typeof flat) => g.expected.reduce((s, e) => s + e.levelDbm, 0) / g.expected.length
    expect(level(flat)).toBeGreaterThan(level(hilly) + 3)
    const far = open().legs[0]!.marks.at(-1)!
    addAreas(db, [{ name: 'Town', kind: 'town', heightM: 20, rings: square(far.lat!, far.lon!, 0.003) }])
    const built = groundOf(db, trialId, planOf(open()))!
    const at = (g: typeof flat) => g.expected.find((e) => e.markId === far.id)!.levelDbm
    expect(at(built)).toBeLessThan(at(flat) - 5)
    expect(listAreas(db)).toHaveLength(1)
  })
  it('is predicted by the trial’s own settings, and by the usual ones for what was not said', () => {
    const { lat, lon } = base()
    storeGrid(db, 'here.hgt', rollingGround(lat, lon, 20))
    const usual = groundOf(db, trialId, planOf(open()))!.expected[0]!
    expect(setPrediction(db, trialId, { ...USUAL_PREDICTION, farStands: 'town' }).ok).toBe(true)
    const town = groundOf(db, trialId, planOf(open()))!.expected[0]!
    expect(town.levelDbm).toBeLessThan(usual.levelDbm - 5)
    expect(predictionOf({ prediction: { farStands: 'town' } as never })).toEqual({
      ...USUAL_PREDICTION,
      farStands: 'town',
    })
  })
})
