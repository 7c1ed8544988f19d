import Database from 'better-sqlite3'
import { existsSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { good, refuse } from '@/core/outcome'
import { inProcess } from './ask'
import type { TilesSaid } from './copyTiles'

let folder: string
beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), 'even-reach-foreign-'))
})
afterAll(() => rmSync(folder, { recursive: true, force: true }))

const reader = ['--import', 'tsx', join('src', 'data', 'foreign', 'process.ts')]

describe('a process of its own reads what others made', () => {
  it('and copies the tiles into a table of ours, leaving out rows that are none', async () => {
    const [from, to] = [join(folder, 'a.mbtiles'), join(folder, 'own.db')]
    const made = new Database(from)
    made.exec(`create table metadata (name, value); create table tiles (zoom_level, tile_column, tile_row, tile_data);
      insert into metadata values ('format', 'png'), ('bounds', 7);
      insert into tiles values (1, 0, 0, x'0102'), (1, 1, 0, 'text'), (1, 0.5, 1, x'03'), (2, 3, 3, x'04')`)
    made.close()
    expect(await inProcess<TilesSaid>([...reader, 'tiles', from, to])).toEqual(
      good({ format: 'png', attribution: '', minZoom: 1, maxZoom: 2, bounds: null }),
    )
    const own = new Database(to, { readonly: true })
    expect(own.prepare('select zoom_level, tile_column, tile_row from tiles').raw().all()).toEqual([
      [1, 0, 0],
      [2, 3, 3],
    ])
    own.close()
  })
  it('and says in words why it is not taken', async () => {
    const from = join(folder, 'text.mbtiles')
    writeFileSync(from, 'no database')
    expect(await inProcess([...reader, 'tiles', from, join(folder, 'none.db')])).toMatchObject({ ok: false })
    expect(existsSync(join(folder, 'none.db'))).toBe(false)
  })
  it('is ended where it does not come back, and this one goes on', async () => {
    expect(await inProcess(['-e', 'for (;;);'], 0.5)).toEqual(
      refuse('It was not read within 0.5 seconds, and given up. Export it anew.'),
    )
  })
  it('may break without harm', async () => {
    expect(await inProcess(['-e', 'process.abort()'])).toEqual(
      refuse('Its reading broke off: it is damaged. Copy it again.'),
    )
  })
})
