import { messageOf, refuse } from '@/core/outcome'
import Database from 'better-sqlite3'
import { existsSync, readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { beforeEach, describe, expect, it } from 'vitest'
import { coverAt, type Rings } from '@/core/terrain'
import { freshDatabase } from './testing/database'
import {
  addAreas,
  addLegToTrial,
  addTrial,
  backdropTile,
  coverOfAreas,
  deleteArea,
  deleteBackdrop,
  editArea,
  listAreas,
  listBackdrops,
  measureMark,
  openTrial,
  placeBase,
  storeBackdrop,
  type Db,
} from '.'

let folder: string
let db: Db
beforeEach(() => {
  ;({ db, folder } = freshDatabase())
})

const rings: Rings = [
  [
    [-30, 47],
    [-29.9, 47],
    [-29.9, 47.1],
    [-30, 47.1],
    [-30, 47],
  ],
]

describe('areas', () => {
  it('are kept, changed under a lock, deleted', () => {
    addAreas(db, [{ name: 'W', kind: 'wood', heightM: 15, rings }])
    const [a] = listAreas(db)
    expect(a).toMatchObject({ name: 'W', kind: 'wood', heightM: 15, rings, revision: 1 })
    expect(editArea(db, a!.id, 1, { name: 'Wood', kind: 'wood', heightM: 18 }).ok).toBe(true)
    expect(editArea(db, a!.id, 1, { name: 'x', kind: 'open', heightM: 0 })).toMatchObject({ ok: false })
    expect(listAreas(db)[0]).toMatchObject({ name: 'Wood', heightM: 18 })
    expect(deleteArea(db, a!.id).ok).toBe(true)
    expect(deleteArea(db, a!.id)).toEqual(refuse('This area is no longer there.'))
    expect(editArea(db, a!.id, 2, { name: '', kind: 'open', heightM: 0 }).ok).toBe(false)
  })
  it('ground to be covered says nothing of what stands there', () => {
    const cover = coverOfAreas([
      { name: '', kind: 'wood', heightM: 15, rings },
      { name: '', kind: 'to cover', heightM: 0, rings },
    ])
    expect(coverAt(cover, { lat: 47.05, lon: -29.95 })?.kind).toBe('wood')
  })
})

/** An MBTiles file with one tile at level 3, column 2, row 6 from the south; that is row 1 from the north. */
function tiles(more: (t: Database.Database) => void = () => undefined): Uint8Array {
  const file = join(folder, `made-${Math.floor(performance.now() * 1000)}.mbtiles`)
  const t = new Database(file)
  t.exec(
    'create table metadata (name text, value text); create table tiles (zoom_level integer, tile_column integer, tile_row integer, tile_data blob)',
  )
  t.prepare('insert into metadata values (?, ?)').run('format', 'png')
  t.prepare('insert into metadata values (?, ?)').run('attribution', '<a href="x">Own survey</a>')
  t.prepare('insert into metadata values (?, ?)').run('bounds', '-30,47,-29,48')
  t.prepare('insert into tiles values (3, 2, 6, ?)').run(Buffer.from('a picture'))
  more(t)
  t.close()
  return new Uint8Array(readFileSync(file))
}

describe('backdrops', () => {
  it('are kept once, read by row from the north, deleted with their file', async () => {
    const bytes = tiles()
    const kept = await storeBackdrop(db, 'own.mbtiles', bytes)
    if (!kept.ok) throw new Error(messageOf(kept))
    expect(await storeBackdrop(db, 'again.mbtiles', bytes)).toEqual(kept)
    expect(listBackdrops(db)).toMatchObject([
      {
        name: 'own.mbtiles',
        format: 'png',
        attribution: 'Own survey',
        minZoom: 3,
        maxZoom: 3,
        bounds: [-30, 47, -29, 48],
      },
    ])
    expect(backdropTile(db, kept.value, 3, 2, 1)?.bytes.toString()).toBe('a picture')
    expect(backdropTile(db, kept.value, 3, 2, 6)).toBeNull()
    expect(backdropTile(db, 'other', 3, 2, 1)).toBeNull()
    expect(deleteBackdrop(db, kept.value).ok).toBe(true)
    expect(readdirSync(join(folder, 'backdrops'))).toEqual([])
    expect(deleteBackdrop(db, kept.value).ok).toBe(false)
  })
  const why = async (bytes: Uint8Array) => {
    const r = await storeBackdrop(db, 'x.mbtiles', bytes)
    return r.ok ? 'taken' : messageOf(r)
  }
  it('what is none is refused in a sentence, and nothing is left of it', async () => {
    expect(await why(new TextEncoder().encode('not a database at all'))).toMatch(
      /cannot be read as an MBTiles file/,
    )
    expect(await why(tiles((t) => t.exec('drop table metadata')))).toMatch(/no tables "metadata" and "tiles"/)
    expect(await why(tiles((t) => t.exec('delete from tiles')))).toBe('It holds no tiles.')
    expect(
      await why(tiles((t) => t.exec("update metadata set value = 'pbf' where name = 'format'"))),
    ).toMatch(/Its tiles are "pbf"\. A backdrop is made of pictures/)
    expect(await why(tiles((t) => t.exec('update tiles set zoom_level = 40')))).toMatch(
      /zoom levels run from 40 to 40/,
    )
    expect(await why(tiles().slice(0, 5000))).toMatch(/cannot be read/)
    // A view without end: asked for its lowest zoom level it would keep the server at it for ever.
    const endless =
      'drop table tiles; create view tiles as with recursive n(zoom_level) as (select 1 union all select zoom_level + 1 from n) select zoom_level, 0 as tile_column, 0 as tile_row, null as tile_data from n'
    expect(await why(tiles((t) => t.exec(endless)))).toMatch(/Its "tiles" is a view and no table/)
    const virtual = 'drop table metadata; create virtual table metadata using fts5(name, value)'
    expect(await why(tiles((t) => t.exec(virtual)))).toMatch(/Its "metadata" is a virtual table and no table/)
    expect(existsSync(join(folder, 'backdrops')) ? readdirSync(join(folder, 'backdrops')) : []).toEqual([])
    expect(listBackdrops(db)).toEqual([])
  })
  it('bounds that are none are left out', async () => {
    await storeBackdrop(
      db,
      'x',
      tiles((t) => t.exec("update metadata set value = '1,2' where name = 'bounds'")),
    )
    expect(listBackdrops(db)[0]!.bounds).toBeNull()
  })
})

it('a base without coordinates has marks by tape; one that was pegged is measured later', () => {
  const trial = addTrial(db, 'By tape', '', 1)
  expect(placeBase(db, trial, 'Yard', null).ok).toBe(true)
  const mark = (name: string, distanceM: number, how: 'tape' | 'pegged') => ({
    name,
    place: null,
    alongM: null,
    how,
    distanceM,
    distanceSdM: distanceM / 10,
  })
  addLegToTrial(db, trial, {
    name: 'Lane',
    how: 'marks',
    bearingDeg: null,
    track: [],
    marks: [mark('L01', 50, 'tape'), mark('L02', 100, 'pegged')],
  })
  const marks = () => openTrial(db, trial)!.legs[0]!.marks
  expect(marks()[1]).toMatchObject({ name: 'L02', how: 'pegged', distanceM: 100, distanceSdM: 10, lat: null })
  expect(measureMark(db, marks()[1]!.id, 'wheel', 113, 1).ok).toBe(true)
  expect(marks()[1]).toMatchObject({ how: 'wheel', distanceM: 113, distanceSdM: 1 })
  expect(measureMark(db, 'none', 'tape', 1, 1).ok).toBe(false)
})
