// How long findings take, and how much memory: npm run bench. Writes its table into docs/benchmarks.md.
import { loggedChecks } from '../src/core/exchange'
import {
  beginTrend,
  breakdownOfLog,
  cellsOf,
  comparePairs,
  fitJoint,
  inputOf,
  makeFindings,
  prepareFindings,
  readChecks,
} from '../src/core/findings'
import { ORDINARY_FIELD, simulateRun } from '../src/core/sim'
import { asLogged, foldEntries, type Entry, type Mark } from '../src/core/trial'
import { readGpx } from '../src/core/formats'
import { testDay } from '../src/data/testing/day'
import { BENCHMARKS, writeTable } from './table'

function median(run: () => void, times: number): number {
  const taken = Array.from({ length: times }, () => {
    const start = performance.now()
    run()
    return performance.now() - start
  }).sort((a, b) => a - b)
  return taken[Math.floor(times / 2)]!
}

const { day } = testDay()
const input = inputOf(day.plan, day.plan.marks, loggedChecks(day), true)
const pairs = prepareFindings(input)
const track = Array.from(
  { length: 100_000 },
  (_, i) => `<trkpt lat="${47 + i / 1e6}" lon="-29.5"><ele>5</ele></trkpt>`,
).join('')
const gpx = `<gpx><trk><trkseg>${track}</trkseg></trk></gpx>`

const { checks } = readChecks(input)
const cells = cellsOf(input, checks)

/** A run of the same links at so many marks, on some legs. */
function runAt(count: number, legs: number) {
  const marks = Array.from({ length: count }, (_, i): Mark => ({
    ...day.plan.marks[0]!,
    id: `m${i}`,
    legId: `l${i % legs}`,
    distanceM: 200 + (5800 * i) / count,
    alongM: 200 + (5800 * i) / count,
  }))
  const plan = { ...day.plan, marks }
  const run = simulateRun(plan, { ...ORDINARY_FIELD, seed: 1, gainDbi: {} })
  const logged = run.map((c, i) => asLogged(c, { id: `c${i}`, time: '', device: 'd', role: 'out there' }))
  return inputOf(plan, marks, logged, true)
}

/** Some 5,000 checks. */
const many = runAt(833, 8)
const entries: Entry[] = Array.from({ length: 100_000 }, (_, i) => ({
  id: `0197${String(i).padStart(8, '0')}`,
  runId: 'r',
  device: 'd',
  role: 'out there',
  wallTime: '2026-05-16T08:00:00.000Z',
  seq: i,
  supersedes: i % 50 === 49 ? `0197${String(i - 1).padStart(8, '0')}` : null,
  body: {
    kind: 'check',
    linkId: 'a',
    markId: `m${i % 500}`,
    direction: 'to base',
    repeat: i,
    text: '5 by 7',
    calls: 1,
    remark: '',
    state: 'graded',
  },
}))

const ms = (t: number) => `${t.toFixed(0)} ms`
const manyRead = readChecks(many).checks
const manyCells = cellsOf(many, manyRead)
const manyPrepared = prepareFindings(many)
const start = performance.now()
await breakdownOfLog(input, pairs, null)
const breakdownMs = performance.now() - start
const count = many.checks.length.toLocaleString('en-GB')
writeTable(
  BENCHMARKS,
  'findings',
  ['what', 'measured', 'wanted'],
  [
    ['joint model of 30 marks, 3 links, 2 directions', ms(median(() => fitJoint(input, checks), 5)), '1 s'],
    [
      'comparisons of the same, with trends',
      ms(
        median(
          () => comparePairs(input, checks, cells, pairs.joint, beginTrend(input, checks, pairs.joint!)),
          5,
        ),
      ),
      '',
    ],
    ['breakdown of the same, in a worker', ms(breakdownMs), ''],
    [`${count} checks: joint model`, ms(median(() => fitJoint(many, manyRead), 3)), '3 s'],
    [
      `${count} checks: comparisons, with trends`,
      ms(
        median(
          () =>
            comparePairs(
              many,
              manyRead,
              manyCells,
              manyPrepared.joint,
              beginTrend(many, manyRead, manyPrepared.joint!),
            ),
          3,
        ),
      ),
      '',
    ],
    [
      `${count} checks: a change of copy rule`,
      ms(median(() => makeFindings(many, manyPrepared), 5)),
      'at once',
    ],
    ['a change of copy rule', ms(median(() => makeFindings(input, pairs), 9)), '50 ms'],
    [
      'folding, entries a second',
      `${(100 / median(() => foldEntries(entries), 5)).toFixed(2)} million`,
      '1 million',
    ],
    ['GPX of 100 000 points', ms(median(() => readGpx(gpx), 5)), ''],
    ['memory at the end', `${(process.memoryUsage().rss / 1048576).toFixed(0)} MiB`, ''],
  ],
)

/** How the time grows with the marks: the power of n by least squares in logarithms, and each measured. */
const SIZES = [15, 30, 60, 120, 250, 500, 1000]
const grown = SIZES.map((n) => {
  const log = runAt(n, 1)
  const read = readChecks(log).checks
  return { n, checks: read.length, ms: median(() => fitJoint(log, read), 3) }
})
const mean = (of: (g: (typeof grown)[number]) => number) =>
  grown.reduce((s, g) => s + of(g), 0) / grown.length
const [lnN, lnMs] = [mean((g) => Math.log(g.n)), mean((g) => Math.log(g.ms))]
const power =
  mean((g) => (Math.log(g.n) - lnN) * (Math.log(g.ms) - lnMs)) / mean((g) => (Math.log(g.n) - lnN) ** 2)
writeTable(
  BENCHMARKS,
  'growth',
  ['marks', 'checks', 'joint model'],
  [
    ...grown.map((g) => [g.n.toLocaleString('en-GB'), g.checks.toLocaleString('en-GB'), ms(g.ms)]),
    [`grows as n to the ${power.toFixed(2)}`, '', ''],
  ],
)
