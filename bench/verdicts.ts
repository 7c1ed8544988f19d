// Simulated days of all shapes through the findings as a user has them: how often anything in any scope is called better
// where all is equal, what is held of the differences of each scope, and how wide they are beside a plain paired
// comparison. npm run verdicts [days of each shape] [at once]; the table goes into docs/calibration.md
import { execFile } from 'node:child_process'
import { availableParallelism } from 'node:os'
import { promisify } from 'node:util'
import { inputOf, makeFindings, type JudgedPair } from '../src/core/findings'
import { DAY_SHAPES, dayOf, type DayShape } from './days'
import { CALIBRATION, writeTable } from './table'

/** Seeds of their own: these days are none of those that are held. */
const [EQUALS, OTHERS] = [700_000, 800_000]
const SCOPES = ['to base', 'from base', 'both'] as const
type Scope = (typeof SCOPES)[number]

interface Seen {
  days: number
  called: number
  held: Record<Scope, [held: number, of: number]>
  /** Width of a difference over that of the plain paired comparison. */
  ratios: number[]
}

const noneSeen = (): Seen => ({
  days: 0,
  called: 0,
  held: { 'to base': [0, 0], 'from base': [0, 0], both: [0, 0] },
  ratios: [],
})

function pairsOf(shape: DayShape, seed: number, equal: boolean) {
  const day = dayOf(shape, seed, equal)
  const input = inputOf(day.plan, day.plan.marks, day.checks, true)
  const ids = input.links.map((l) => l.id)
  // A and B alone are alike on a day between equals.
  const pairs = makeFindings(input).pairs.filter((p) => p.a === ids[0] && p.b === ids[1])
  return { pairs, truth: day.gainDb[0]! - day.gainDb[1]! }
}

function holds({ evened }: JudgedPair, truth: number): boolean | null {
  return evened && evened.interval90.low <= truth && truth <= evened.interval90.high
}

function judged(shape: DayShape, days: number): Seen {
  const seen = noneSeen()
  for (let i = 0; i < days; i++) {
    seen.days++
    if (pairsOf(shape, EQUALS + i, true).pairs.some((p) => p.verdict.kind === 'better')) seen.called++
    const { pairs, truth } = pairsOf(shape, OTHERS + i, false)
    for (const pair of pairs) {
      const held = holds(pair, truth)
      if (held === null) continue
      const tally = seen.held[pair.scope as Scope]
      tally[1]++
      if (held) tally[0]++
      const { evened, plain } = pair
      if (pair.scope === 'both' && plain)
        seen.ratios.push((evened!.interval90.high - evened!.interval90.low) / (plain.high - plain.low))
    }
  }
  return seen
}

function together(all: readonly Seen[]): Seen {
  const sum = noneSeen()
  for (const s of all) {
    sum.days += s.days
    sum.called += s.called
    for (const scope of SCOPES) for (const k of [0, 1]) sum.held[scope][k]! += s.held[scope][k]!
    sum.ratios.push(...s.ratios)
  }
  return sum
}

const middle = (values: readonly number[]) => [...values].sort((a, b) => a - b)[values.length >> 1]

function rowOf(name: string, s: Seen): string[] {
  const share = ([k, n]: readonly [number, number]) => (n === 0 ? '' : ((100 * k) / n).toFixed(0))
  return [
    name,
    String(s.days),
    ((100 * s.called) / s.days).toFixed(1),
    ...SCOPES.map((scope) => share(s.held[scope])),
    middle(s.ratios)?.toFixed(2) ?? '',
  ]
}

async function main(days: number, atOnce: number): Promise<void> {
  const run = promisify(execFile)
  const seen = new Map<string, Seen>()
  const waiting = [...DAY_SHAPES.entries()]
  await Promise.all(
    Array.from({ length: atOnce }, async () => {
      for (let next = waiting.shift(); next; next = waiting.shift()) {
        const args = ['--no-install', 'tsx', 'bench/verdicts.ts', 'shape', next[0], days].map(String)
        const { stdout } = await run('npx', args, { maxBuffer: 2 ** 26 })
        seen.set(next[1].name, JSON.parse(stdout) as Seen)
      }
    }),
  )
  const of = (which: (s: DayShape) => boolean) =>
    together(DAY_SHAPES.filter(which).map((s) => seen.get(s.name)!))
  writeTable(
    CALIBRATION,
    'verdicts',
    [
      'shapes',
      'days',
      '“better” in any scope between equals, %',
      'to base held, %',
      'from base held, %',
      'both together held, %',
      'width over a plain paired comparison’s',
    ],
    [
      rowOf(
        'ordinary',
        of((s) => !s.misfit),
      ),
      rowOf(
        'of them twelve marks',
        of((s) => s.name === 'twelve marks'),
      ),
      rowOf(
        'misfits',
        of((s) => s.misfit === true),
      ),
    ],
  )
}

const [first, second, third] = process.argv.slice(2)
if (first === 'shape') console.log(JSON.stringify(judged(DAY_SHAPES[Number(second)]!, Number(third))))
else await main(Number(first ?? 50), Number(second ?? availableParallelism()))
