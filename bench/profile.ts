// The ground along paths, ours against GDAL's on the same tile: heights that gdalwarp interpolates (bilinear)
// on a grid ten times as fine, read at the same places by gdallocationinfo.
// npm run bench:profile -- path/to/N47W030.hgt
import { readTile } from './readTile'
import { BENCHMARKS, writeTable } from './table'
import { execFileSync } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { direct, inverse } from '../src/core/geo'
import { groundProfile, terrainOf } from '../src/core/terrain'

const { file, grid } = readTile()
const terrain = terrainOf([grid])
const folder = mkdtempSync(join(tmpdir(), 'even-reach-profile-'))
const fine = join(folder, 'fine.tif')
const step = String(grid.stepLat / 10)
execFileSync('gdalwarp', [
  '-q',
  '-r',
  'bilinear',
  '-ot',
  'Float32',
  '-tr',
  step,
  step,
  '-te',
  '-29.64',
  '47.24',
  '-29.38',
  '47.40',
  file,
  fine,
])

const rows: string[][] = []
const from = { lat: 47.298807, lon: -29.557697 }
for (const bearing of [30, 62, 90, 118])
  for (const m of [3000, 8000]) {
    const to = direct(from, bearing, m)
    const p = groundProfile(terrain, from, to, 400)
    // The places are stepped along WGS 84's geodesic here, ours along a great circle: that difference counts too.
    const { bearingDeg } = inverse(from, to)
    const places = Array.from(p.distancesKm, (km) => direct(from, bearingDeg, km * 1000))
    const input = places.map((q) => `${q.lon} ${q.lat}`).join('\n')
    const answers = execFileSync('gdallocationinfo', ['-valonly', '-wgs84', fine], { input }).toString()
    const theirs = answers.trim().split('\n').map(Number)
    const off = theirs.map((h, i) => Math.abs(h - p.heightsM[i]!))
    const mean = off.reduce((a, b) => a + b, 0) / off.length
    rows.push([
      `${m / 1000} km at ${bearing}°`,
      mean.toFixed(2),
      Math.max(...off).toFixed(2),
      `${Math.min(...theirs).toFixed(0)}, ${Math.max(...theirs).toFixed(0)}`,
    ])
  }
rmSync(folder, { recursive: true, force: true })
writeTable(BENCHMARKS, 'profile', ['path', 'mean difference, m', 'largest, m', 'lowest and highest, m'], rows)
