import { readTile } from './readTile'
import { BENCHMARKS, writeTable } from './table'
import { metresPerDegree } from '../src/core/geo/degrees'
// What is in sight, ours against gdal_viewshed of Debian's gdal-bin on the same ground, in one run.
// npm run bench:viewshed -- path/to/N47W030.hgt
import { execFileSync } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { viewshed } from '../src/core/terrain'

const { file, grid } = readTile()
const middle = ((grid.north - 0.5) * Math.PI) / 180
const cellX = grid.stepLon * metresPerDegree((middle * 180) / Math.PI).lon
const cellY = grid.stepLat * 110_574 + 0.5 * grid.stepLat * (111_694 - 110_574)
const folder = mkdtempSync(join(tmpdir(), 'even-reach-viewshed-'))
const at = (name: string) => join(folder, name)
const gdal = (command: string, ...args: string[]) => execFileSync(command, ['-q', ...args])
// The same heights on the same cells, in metres: gdal_viewshed measures in the units of the file.
gdal(
  'gdal_translate',
  '-a_srs',
  'EPSG:32626',
  '-a_ullr',
  '0',
  String(grid.height * cellY),
  String(grid.width * cellX),
  '0',
  '-a_nodata',
  '-32768',
  file,
  at('metres.tif'),
)

const observers = [
  [530, 842],
  [500, 850],
  [560, 800],
  [480, 900],
]
const rows: string[][] = []
for (const [x, y] of observers)
  for (const observerM of [2, 8, 30]) {
    const place = { lat: grid.north - y! * grid.stepLat, lon: grid.west + x! * grid.stepLon }
    const times: number[] = []
    let ours = viewshed(grid, place, { observerM, targetM: 1.5 })
    for (let i = 0; i < 3; i++) {
      const start = performance.now()
      ours = viewshed(grid, place, { observerM, targetM: 1.5 })
      times.push(performance.now() - start)
    }
    const start = performance.now()
    gdal(
      'gdal_viewshed',
      '-ox',
      String((x! + 0.5) * cellX),
      '-oy',
      String((grid.height - y! - 0.5) * cellY),
      '-oz',
      String(observerM),
      '-tz',
      '1.5',
      '-md',
      '0',
      '-cc',
      '0.75',
      '-vv',
      '1',
      '-iv',
      '0',
      at('metres.tif'),
      at('out.tif'),
    )
    const theirs = performance.now() - start
    gdal('gdal_translate', '-of', 'ENVI', at('out.tif'), at('out.raw'))
    const out = readFileSync(at('out.raw'))
    let same = 0
    for (let i = 0; i < ours.seen.length; i++) if (ours.seen[i] === out[i]) same++
    const share = (100 * same) / ours.seen.length
    rows.push([
      `${x}, ${y}, ${observerM} m`,
      share.toFixed(2),
      Math.min(...times).toFixed(0),
      theirs.toFixed(0),
    ])
  }
writeTable(
  BENCHMARKS,
  'viewshed',
  ['observer (column, row), height', 'agree, %', 'ours, ms', 'gdal_viewshed, ms'],
  rows,
)
rmSync(folder, { recursive: true, force: true })
