// Does the judgement hold? Simulated trials of many shapes, each with its true difference drawn at random, go
// through the whole of core: reports as people give them, reading, thresholds, the paired interval
// likelihood, verdicts. npm run calibrate [trials of each shape]; the table goes between the marks in
// docs/calibration.md.
import { execFile } from 'node:child_process'
import { readFileSync, writeFileSync } from 'node:fs'
import { availableParallelism } from 'node:os'
import { fileURLToPath } from 'node:url'
import { promisify } from 'node:util'
import { SHAPES, trialOf, type Shape } from './shapes'

const DOC = 'docs/calibration.md'
const HEAD = [
  '| shape | trials told | truth held, % | median width, dB | width by oracle’s | said which, of those told, % | wrong side, % | “better” between equal links, % |',
  '| --- | --- | --- | --- | --- | --- | --- | --- |',
]

function rowOf(shape: Shape, n: number): string {
  let [told, held, right, wrong, falseBetter] = [0, 0, 0, 0, 0]
  const widths: number[] = []
  const ratios: number[] = []
  for (let seed = 1; seed <= n; seed++) {
    const r = trialOf(shape, seed, false)
    if (r) {
      told++
      if (r.low <= r.truth && r.truth <= r.high) held++
      widths.push(r.high - r.low)
      ratios.push((r.high - r.low) / r.oracleWidth)
      if (r.verdict === 'better, right') right++
      if (r.verdict === 'better, wrong') wrong++
    }
    if (trialOf(shape, seed + 100_000, true)?.verdict.startsWith('better')) falseBetter++
  }
  const middle = (v: number[]) => v.sort((a, b) => a - b)[Math.floor(v.length / 2)] ?? NaN
  const share = (k: number, of: number) => ((100 * k) / Math.max(1, of)).toFixed(1)
  return `| ${shape.name} | ${told} | ${share(held, told)} | ${middle(widths).toFixed(1)} | ${middle(ratios).toFixed(2)} | ${share(right + wrong, told)} | ${share(wrong, told)} | ${share(falseBetter, n)} |`
}

const n = Number(process.argv[2] ?? 1000)
const only = process.argv[3]
if (only !== undefined) {
  console.log(rowOf(SHAPES[Number(only)]!, n))
} else {
  const run = promisify(execFile)
  const rows: string[] = []
  let next = 0
  await Promise.all(
    Array.from({ length: Math.min(availableParallelism(), SHAPES.length) }, async () => {
      while (next < SHAPES.length) {
        const i = next++
        const self = fileURLToPath(import.meta.url)
        const { stdout } = await run('npx', ['--no-install', 'tsx', self, String(n), String(i)])
        rows[i] = stdout.trim()
        console.log(rows[i])
      }
    }),
  )
  const text = readFileSync(DOC, 'utf8')
  const [start, end] = ['<!-- table -->\n', '\n<!-- end of table -->']
  const made = `\n${n} trials of each shape and as many with no difference.\n\n${[...HEAD, ...rows].join('\n')}\n`
  writeFileSync(DOC, text.slice(0, text.indexOf(start) + start.length) + made + text.slice(text.indexOf(end)))
}
