// Delta-Bullington to every cell of a tile, in two workers, beside gdal_viewshed of Debian's gdal-bin on the same cells, in
// one run; and what a cell costs from small rasters to large ones. Ends with the ratio of wall times, medians of seven.
// npm run -s bench:coverage -- path/to/N47W030.hgt
import { execFileSync } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { Worker } from 'node:worker_threads'
import { buildSync } from 'esbuild'
import type { HeightGrid } from '../src/core/terrain'
import type { HalfAsk } from './coverageHalf'
import { readTile } from './readTile'
import { median } from './median'
import { BENCHMARKS, writeTable } from './table'

const { file, grid } = readTile()
const CELL_M = 92
const TIMES = 7
const SIDES = [
  [0, 2],
  [1, 3],
]

/** The tile, or the middle of it repeated, as a raster of square cells about its middle. */
function rasterOf({ width, height, data, scaleM }: HeightGrid, half: number) {
  const side = 2 * half + 1
  const shared = new SharedArrayBuffer(4 * side * side)
  const heightsM = new Float32Array(shared)
  const wrapped = (v: number, n: number) => ((v % n) + n) % n
  for (let r = 0; r < side; r++)
    for (let c = 0; c < side; c++) {
      const row = wrapped(r - half + ((height - 1) >> 1), height)
      const column = wrapped(c - half + ((width - 1) >> 1), width)
      heightsM[r * side + c] = Math.max(0, data[row * width + column]! * scaleM)
    }
  const raster = { base: { lat: 47.5, lon: -29.5 }, half, stepM: CELL_M, stepLat: 0.0008, stepLon: 0.0012 }
  return { raster, shared }
}

async function main(): Promise<void> {
  const half = Math.min(grid.width, grid.height) >> 1
  const whole = rasterOf(grid, half)
  const folder = mkdtempSync(join(tmpdir(), 'even-reach-coverage-'))
  const at = (name: string) => join(folder, name)
  buildSync({
    entryPoints: ['bench/coverageHalf.ts'],
    outfile: at('half.cjs'),
    ...{ bundle: true, platform: 'node', format: 'cjs', logLevel: 'warning', alias: { '@': './src' } },
  })
  const workers = SIDES.map(() => new Worker(at('half.cjs')))
  const losses = new SharedArrayBuffer(whole.shared.byteLength)
  const asking = (worker: Worker, ask: HalfAsk) =>
    new Promise((done) => worker.once('message', done).postMessage(ask))
  const once = () =>
    Promise.all(
      workers.map((worker, i) =>
        asking(worker, { raster: whole.raster, heightsM: whole.shared, sides: SIDES[i]!, losses }),
      ),
    )
  // The first runs compile it.
  await once()
  await once()
  const gdal = (command: string, ...args: string[]) => execFileSync(command, ['-q', ...args])
  const edge = String(grid.width * CELL_M)
  const placed = ['-a_srs', 'EPSG:32626', '-a_ullr', '0', edge, edge, '0']
  gdal('gdal_translate', ...placed, file, at('metres.tif'))
  const middle = String((half + 0.5) * CELL_M)
  const asked = ['-ox', middle, '-oy', middle, '-oz', '10', '-tz', '1.5', '-md', '0', '-cc', '0.75']
  const [ours, theirs]: [number[], number[]] = [[], []]
  for (let i = 0; i < TIMES; i++) {
    let start = performance.now()
    await once()
    ours.push(performance.now() - start)
    start = performance.now()
    gdal('gdal_viewshed', ...asked, at('metres.tif'), at(`out${i}.tif`))
    theirs.push(performance.now() - start)
  }
  const rows: string[][] = []
  for (const across of [200, 400, 800, 1200, 2400]) {
    const { raster, shared } = rasterOf(grid, across >> 1)
    const times: number[] = []
    for (let i = 0; i < 3; i++) {
      const start = performance.now()
      const to = new SharedArrayBuffer(shared.byteLength)
      await asking(workers[0]!, { raster, heightsM: shared, sides: SIDES.flat(), losses: to })
      times.push(performance.now() - start)
    }
    const perCell = (1e6 * median(times)) / (across + 1) ** 2
    rows.push([`${across} × ${across}, one worker`, `${median(times).toFixed(0)} ms`, perCell.toFixed(0)])
  }
  await Promise.all(workers.map((w) => w.terminate()))
  rmSync(folder, { recursive: true, force: true })
  const side = 2 * half + 1
  writeTable(
    BENCHMARKS,
    'coverage',
    ['cells', 'time', 'ns a cell'],
    [
      ...rows,
      [
        `${side} × ${side}, two workers`,
        `${median(ours).toFixed(0)} ms`,
        ((1e6 * median(ours)) / side ** 2).toFixed(0),
      ],
      [`${side} × ${side}, \`gdal_viewshed\``, `${median(theirs).toFixed(0)} ms`, ''],
    ],
  )
  console.log(`ratio ${(median(ours) / median(theirs)).toFixed(2)}`)
}

void main()
