// How long findings take, and how much memory: npm run bench. Results go by hand into docs/benchmarks.md.
import { readFileSync } from 'node:fs'
import { comparePairs, inputOf, makeFindings } from '../src/core/findings'
import {
  dayOfFiles,
  guessColumns,
  guessScales,
  loggedChecks,
  readCheckRows,
  readCsvTable,
  readGpx,
  readKitJson,
} from '../src/core/formats'

const file = (name: string) => readFileSync(new URL(`../e2e/fixtures/${name}`, import.meta.url), 'utf8')

function median(run: () => void, times: number): number {
  const taken = Array.from({ length: times }, () => {
    const start = performance.now()
    run()
    return performance.now() - start
  }).sort((a, b) => a - b)
  return taken[Math.floor(times / 2)]!
}

const table = readCsvTable(file('ostrey-spring-checks.csv'))
const kit = readKitJson(file('ostrey-spring-kit.json'))
if (!table.ok || !kit.ok) throw new Error('fixtures')
const { rows } = readCheckRows(table.value, guessColumns(table.value.heading), null)
const scales = guessScales(rows, kit.value)
const day = dayOfFiles(rows, kit.value, null, { scales, makeId: (_what, name) => name })
if (!day.ok) throw new Error('day')
const input = inputOf(day.value.plan, day.value.plan.marks, loggedChecks(day.value), true)
const pairs = comparePairs(input)
const track = Array.from(
  { length: 100_000 },
  (_, i) => `<trkpt lat="${47 + i / 1e6}" lon="-29.5"><ele>5</ele></trkpt>`,
).join('')
const gpx = `<gpx><trk><trkseg>${track}</trkseg></trk></gpx>`

console.log(
  `comparisons, 30 marks, 3 links, 2 directions: ${median(() => comparePairs(input), 5).toFixed(0)} ms`,
)
console.log(`a change of copy rule: ${median(() => makeFindings(input, pairs), 9).toFixed(0)} ms`)
console.log(`GPX of 100 000 points: ${median(() => readGpx(gpx), 5).toFixed(0)} ms`)
console.log(`memory at the end: ${(process.memoryUsage().rss / 1048576).toFixed(0)} MiB`)
