// Is what is said true? Simulated days of many shapes go through reading and the joint model as a log does; the
// difference, the reach either way and both ways together, and "better" are held against the truth.
// npm run held [days of each shape] [at once]; the table goes between the marks in docs/calibration.md. It goes on from
// the days that bench/held.json holds, a few of each shape in turn, and may be broken off at any time; where the model
// has changed, delete that file first.
import { execFile } from 'node:child_process'
import { existsSync, readFileSync, writeFileSync } from 'node:fs'
import { availableParallelism } from 'node:os'
import { promisify } from 'node:util'
import { DAY_SHAPES } from './days'
import {
  noTally,
  TALLY_HEAD,
  tallyOfBoth,
  tallyRow,
  WARNED_HEAD,
  warnedRow,
  type ShapeTally,
} from './heldTally'
import { CALIBRATION, writeTable } from './table'

const KEPT = 'bench/held.json'
const AT_A_TIME = 25
/** Shapes that are warned of less often are not shown apart. */
const WARNED_SHARE = 0.15

const [wanted = 500, atOnce = availableParallelism()] = process.argv.slice(2).map(Number)
const run = promisify(execFile)
const kept: Record<string, ShapeTally> = existsSync(KEPT)
  ? (JSON.parse(readFileSync(KEPT, 'utf8')) as Record<string, ShapeTally>)
  : {}
const daysOf = (name: string) => kept[name]?.days ?? 0

function write(): void {
  writeFileSync(KEPT, `${JSON.stringify(kept, null, 2)}\n`)
  const rows = DAY_SHAPES.flatMap(({ name }) => (kept[name] ? [tallyRow(name, kept[name])] : []))
  writeTable(CALIBRATION, 'held', TALLY_HEAD, rows)
  const warned = DAY_SHAPES.flatMap(({ name }) => {
    const { days, of } = kept[name]?.warned ?? { days: 0, of: 0 }
    return days > WARNED_SHARE * of ? [warnedRow(name, kept[name]!)] : []
  })
  writeTable(CALIBRATION, 'warned', WARNED_HEAD, warned)
}

const busy = new Set<string>()
await Promise.all(
  Array.from({ length: atOnce }, async () => {
    for (;;) {
      const next = DAY_SHAPES.map(({ name }, i) => ({ name, i, days: daysOf(name) }))
        .filter(({ name, days }) => days < wanted && !busy.has(name))
        .sort((a, b) => a.days - b.days)[0]
      if (!next) return
      busy.add(next.name)
      const to = Math.min(wanted, next.days + AT_A_TIME)
      const args = ['--no-install', 'tsx', 'bench/heldDays.ts', next.i, next.days + 1, to].map(String)
      const { stdout } = await run('npx', args)
      kept[next.name] = tallyOfBoth(kept[next.name] ?? noTally(), JSON.parse(stdout) as ShapeTally)
      busy.delete(next.name)
      write()
    }
  }),
)
