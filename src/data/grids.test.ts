import { existsSync, readdirSync } from 'node:fs'
import { join } from 'node:path'
import { beforeEach, expect, it } from 'vitest'
import { buildIsland } from '@/core/sim'
import { heightAt, VOID } from '@/core/terrain'
import { freshDatabase } from './testing/database'
import {
  addLegToTrial,
  addOtherSite,
  addTrial,
  deleteGrid,
  deleteSite,
  gridFile,
  heightsOf,
  listGrids,
  listSites,
  moveMark,
  openTrial,
  packGrid,
  placeBase,
  storeGrid,
  unpackGrid,
  type Db,
} from '.'

let folder: string
let db: Db
beforeEach(() => {
  ;({ db, folder } = freshDatabase())
})

const island = (seed = 1) =>
  buildIsland({
    seed,
    lat: 47.3,
    lon: -29.5,
    alongM: 2500,
    acrossM: 2000,
    axisDeg: 40,
    hills: [{ eastM: 0, northM: 300, highM: 150, wideM: 700 }],
    roughM: 10,
  })

it('builds the same island from the same seed, land in the middle and sea around', () => {
  const [one, again, other] = [island(), island(), island(2)]
  expect(one.data).toEqual(again.data)
  expect(one.data).not.toEqual(other.data)
  expect(heightAt(one, 47.3, -29.5)).toBeGreaterThan(60)
  expect(one.data[0]).toBe(0)
})

it('keeps a grid as a file beside the database, once, and gives it back as it was', () => {
  const grid = island()
  grid.data[0] = VOID
  const id = storeGrid(db, 'Island', grid)
  expect(storeGrid(db, 'Island again', grid)).toBe(id)
  expect(listGrids(db)).toMatchObject([{ name: 'Island', voidCells: 1, filledCells: 0 }])
  expect(readdirSync(join(folder, 'ground'))).toEqual([`${id}.heights.gz`])
  const back = unpackGrid(listGrids(db)[0]!, gridFile(db, id)!)!
  expect(back.data).toEqual(grid.data)
  expect(heightAt(heightsOf(db, listGrids(db)[0]!)!, 47.3, -29.5)).toBeCloseTo(heightAt(grid, 47.3, -29.5), 6)
  expect(deleteGrid(db, id).ok).toBe(true)
  expect(existsSync(join(folder, 'ground', `${id}.heights.gz`))).toBe(false)
  expect(gridFile(db, id)).toBeNull()
  expect(deleteGrid(db, id)).toMatchObject({ ok: false })
})

it('carries which heights were filled, and refuses bytes that do not fit', () => {
  const grid = { ...island(), filled: new Uint8Array(island().data.length).fill(1, 0, 5) }
  const { data: _d, filled: _f, ...meta } = grid
  expect(unpackGrid(meta, packGrid(grid))!.filled!.reduce((s, v) => s + v, 0)).toBe(5)
  expect(unpackGrid(meta, new Uint8Array(10))).toBeNull()
  storeGrid(db, 'Filled', grid)
  expect(listGrids(db)[0]!.filledCells).toBe(5)
})

it('moves a mark and measures it anew; keeps and deletes other places', () => {
  const trialId = addTrial(db, 'T', '', 1)
  placeBase(db, trialId, 'Harbour', { lat: 47.3, lon: -29.5 })
  addLegToTrial(db, trialId, {
    name: 'L',
    how: 'marks',
    bearingDeg: null,
    track: [],
    marks: [{ name: 'M', place: { lat: 47.31, lon: -29.5 }, alongM: null }],
  })
  const [mark] = openTrial(db, trialId)!.legs[0]!.marks
  expect(moveMark(db, mark!.id, { lat: 47.32, lon: -29.5 }, 2300).ok).toBe(true)
  expect(openTrial(db, trialId)!.legs[0]!.marks[0]).toMatchObject({
    distanceM: expect.closeTo(2223.6, 0),
    alongM: 2300,
  })
  expect(moveMark(db, mark!.id, { lat: 47.3, lon: -29.5 }, null)).toMatchObject({ ok: false })
  expect(moveMark(db, 'none', { lat: 47.3, lon: -29.5 }, null)).toMatchObject({ ok: false })
  const id = addOtherSite(db, {
    name: 'Saddle',
    place: { lat: 47.33, lon: -29.5 },
    role: 'relay',
    doubtM: null,
    moves: false,
    note: 'path to the top',
  })
  expect(listSites(db).map((s) => s.name)).toEqual(['Harbour', 'Saddle'])
  expect(deleteSite(db, id).ok).toBe(true)
  const harbour = listSites(db)[0]!
  expect(deleteSite(db, harbour.id)).toMatchObject({ ok: false })
})
