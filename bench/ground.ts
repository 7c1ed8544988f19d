// Speed of the ground: profile to the pointer, relief and contours, reading a large tile. npm run bench:ground;
// writes its table into docs/benchmarks.md.
import { median } from './median'
import { BENCHMARKS, writeTable } from './table'
import { buildIsland } from '../src/core/sim'
import { AVERAGE_GROUND, deltaBullingtonLoss } from '../src/core/propagation'
import {
  contourLines,
  contourStepM,
  DAY_INKS,
  fillVoids,
  groundProfile,
  readHgt,
  shadedRelief,
  terrainOf,
} from '../src/core/terrain'

const rows: string[][] = []
function time(what: string, runs: number, wanted: string, work: () => unknown): void {
  work()
  const times = Array.from({ length: runs }, () => {
    const start = performance.now()
    work()
    return performance.now() - start
  })
  rows.push([what, `${Number(median(times).toPrecision(2))} ms`, wanted])
}

/** A tile of heights that look like ground, voids among them. */
function tile(side: number): ArrayBuffer {
  const bytes = new ArrayBuffer(side * side * 2)
  const view = new DataView(bytes)
  for (let r = 0; r < side; r++)
    for (let c = 0; c < side; c++) {
      const h = 300 + 250 * Math.sin(r / 90) * Math.cos(c / 70) + 40 * Math.sin(r / 11 + c / 17)
      view.setInt16(2 * (r * side + c), (r * 31 + c * 17) % 997 === 0 ? -32768 : Math.round(h))
    }
  return bytes
}
const island = buildIsland({
  seed: 1,
  lat: 47.3,
  lon: -29.5,
  alongM: 6000,
  acrossM: 5000,
  axisDeg: 50,
  hills: [{ eastM: 0, northM: 0, highM: 250, wideM: 1500 }],
  roughM: 20,
})
const terrain = terrainOf([island])
const path = {
  frequencyMHz: 460,
  polarisation: 'vertical' as const,
  ground: AVERAGE_GROUND,
  radiusKm: 8494.667,
}
time('profile of 500 samples with its diffraction', 200, '2 ms', () => {
  const p = groundProfile(terrain, { lat: 47.28, lon: -29.55 }, { lat: 47.33, lon: -29.45 }, 500)
  return deltaBullingtonLoss(p, 8, 1.5, path)
})
const read = readHgt('N47W030.hgt', tile(1201))
if (!read.ok) throw new Error(read.problems[0]!.message)
const { grid } = fillVoids(read.value.grid)
time('relief and contours of 1201 × 1201', 7, '1 s', () => {
  shadedRelief(grid, DAY_INKS)
  return contourLines(grid, contourStepM(600))
})
time('relief alone', 7, '', () => shadedRelief(grid, DAY_INKS))
const large = tile(3601)
globalThis.gc?.()
const before = process.memoryUsage().arrayBuffers + process.memoryUsage().heapUsed
const start = performance.now()
const big = readHgt('N47W030.hgt', large)
if (big.ok) fillVoids(big.value.grid)
const after = process.memoryUsage().arrayBuffers + process.memoryUsage().heapUsed
rows.push(['reading 3601 × 3601 and filling its voids', `${(performance.now() - start).toFixed(0)} ms`, ''])
rows.push([
  'memory of it beside the file’s own 25 MiB, at the most',
  `${((after - before) / 2 ** 20).toFixed(0)} MiB`,
  '',
])
writeTable(BENCHMARKS, 'ground', ['what', 'measured', 'wanted'], rows)
