// Is what is said true? Simulated days of many shapes go through reading and the joint model as a log does; the
// difference, the reach either way and both ways together, and "better" are held against the truth.
// npm run held [days of each shape]; the table goes between the marks in docs/calibration.md.
import { execFile } from 'node:child_process'
import { availableParallelism } from 'node:os'
import { fileURLToPath } from 'node:url'
import { promisify } from 'node:util'
import { fitJoint, inputOf, readChecks } from '../src/core/findings'
import { ruleAt } from '../src/core/findings/joint/modelInput'
import { differenceDraws, posteriorOf, Reaches, type Posterior } from '../src/core/model/answers'
import { aheadBy, aheadEverywhere, DRAWS_ERR } from '../src/core/model/testing/ahead'
import { DAY_SHAPES, dayOf, type DayShape } from './days'
import { writeTable } from './table'

const HEAD = [
  'shape',
  'difference held, %',
  'width, dB',
  'right “better”, %',
  'wrong “better”, %',
  '“better” between equals, %',
  'reach 9 in 10 held, %',
  'its ends',
  'reach 1 in 2 held, %',
  'its ends',
  'contradictions',
  'by the slower way, %',
  'ms',
]

const holds = (p: Posterior, truth: number) => p.q05 <= truth && truth <= p.q95
const median = (v: number[]) => [...v].sort((a, b) => a - b)[v.length >> 1] ?? NaN

/** What was held of one quantity over many days. */
class Tally {
  n = 0
  held = 0
  widths: number[] = []
  add(p: Posterior, truth: number) {
    this.n++
    if (holds(p, truth)) this.held++
    this.widths.push(p.q95 - p.q05)
  }
  get share() {
    return ((100 * this.held) / Math.max(1, this.n)).toFixed(0)
  }
}

function judged(shape: DayShape, seed: number, equal: boolean) {
  const day = dayOf(shape, seed, equal)
  const input = inputOf(day.plan, day.plan.marks, day.checks, true)
  const start = performance.now()
  const { input: joint, fit } = fitJoint(input, readChecks(input).checks)!
  const ms = performance.now() - start
  const listeners = [...input.directions.keys()]
  const difference = posteriorOf(fit, differenceDraws(fit, 0, 1, listeners))
  const pairs = (input.links.length * (input.links.length - 1)) / 2
  const sure = Math.max(difference.above, 1 - difference.above) >= 1 - 0.025 / pairs
  const better = sure ? (difference.above > 0.5 ? 0 : 1) : null
  return { day, input, joint, fit, ms, difference, better }
}

function rowOf(shape: DayShape, n: number): string[] {
  const [difference, often, half] = [new Tally(), new Tally(), new Tally()]
  let [right, wrong, falseBetter, contradictions, slower] = [0, 0, 0, 0, 0]
  const times: number[] = []
  for (let seed = 1; seed <= n; seed++) {
    if (judged(shape, seed + 500_000, true).better !== null) falseBetter++
    const { day, input, joint, fit, ms, difference: d, better } = judged(shape, seed, false)
    times.push(ms)
    if (fit.quality.slower || fit.quality.poor) slower++
    const truth = day.gainDb[0]! - day.gainDb[1]!
    difference.add(d, truth)
    if (better !== null) {
      if ((better === 0) === truth > 0) right++
      else wrong++
    }
    const rules = joint.readers.map((r) => ruleAt(input.copyRule, r, null))
    // A log without readability asks only whether a call is heard, which is not the truth's rule.
    if ((input.copyRule.minReadability ?? 1) > 1 && joint.readers.some((r) => !r.readability)) continue
    const read = new Reaches(fit, rules)
    for (const [p, tally] of [
      [0.9, often],
      [0.5, half],
    ] as const) {
      const usable = [0, 1].map((link) => {
        const alone = input.directions.map((direction, i) => {
          const reach = posteriorOf(fit, read.oneWay(link, i, p))
          tally.add(reach, day.lgReach(link, direction as 'to base' | 'from base', p))
          return reach
        })
        if (alone.length === 1) return alone[0]!
        const both = posteriorOf(fit, read.bothWays(link, p))
        tally.add(both, day.lgReach(link, 'both', p))
        return both
      })
      if (better !== null && usable[better]!.q50 < usable[1 - better]!.q50) contradictions++
    }
  }
  const share = (k: number) => ((100 * k) / n).toFixed(1)
  const ends = (t: Tally) => (t.n === 0 ? '' : `×${(10 ** median(t.widths)).toFixed(1)}`)
  return [
    shape.name,
    difference.share,
    median(difference.widths).toFixed(1),
    share(right),
    share(wrong),
    share(falseBetter),
    often.n === 0 ? '' : often.share,
    ends(often),
    half.n === 0 ? '' : half.share,
    ends(half),
    String(contradictions),
    share(slower),
    median(times).toFixed(0),
  ]
}

const n = Number(process.argv[2] ?? 500)
const only = process.argv[3]
if (only !== undefined) {
  console.log(JSON.stringify(rowOf(DAY_SHAPES[Number(only)]!, n)))
} else {
  const run = promisify(execFile)
  const rows: string[][] = []
  let next = 0
  await Promise.all(
    Array.from({ length: Math.min(availableParallelism(), DAY_SHAPES.length) }, async () => {
      while (next < DAY_SHAPES.length) {
        const i = next++
        const { stdout } = await run('npx', [
          '--no-install',
          'tsx',
          fileURLToPath(import.meta.url),
          String(n),
          String(i),
        ])
        rows[i] = JSON.parse(stdout) as string[]
        console.log(rows[i].join(' | '))
      }
    }),
  )
  writeTable('docs/calibration.md', 'held', HEAD, rows)
  const logs = 2 * n
  const shorter = Array.from({ length: logs }, (_, i) => aheadBy(aheadEverywhere(i + 1))).filter((lgs) =>
    lgs.some((lg) => lg < -DRAWS_ERR),
  )
  writeTable(
    'docs/calibration.md',
    'ahead',
    [
      'logs in which a link is reported at least as well as another at every mark',
      'of them it reaches less far in, by more than the draws err',
    ],
    [[String(logs), String(shorter.length)]],
  )
}
