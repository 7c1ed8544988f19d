// Does the judgement hold? Simulated trials of several shapes, each with its true difference drawn at random, go through
// the whole of core: reports as people give them, reading, thresholds, the paired interval likelihood, verdicts.
// npm run calibrate [trials of each shape]; the table goes to docs/calibration.md.
import { writeFileSync } from 'node:fs'
import { comparePairs, inputOf } from '../src/core/findings'
import type { Link, Rig } from '../src/core/kit'
import { defaultScale, USUAL_COPY_RULE } from '../src/core/reports'
import { ORDINARY_FIELD, simulateRun, type SimulatedField } from '../src/core/sim'
import { seededRandom } from '../src/core/stats'
import type { LoggedCheck, Mark, TrialPlan } from '../src/core/trial'

interface Shape {
  name: string
  marks: number
  spacingM: number
  repeats?: number
  oneWay?: boolean
  links?: number
  field?: Partial<SimulatedField>
  unequal?: boolean
}

const HILLY = { groundLossDb: 14, extraSlopeDb: 24 }
const SHAPES: Shape[] = [
  { name: 'six marks', marks: 6, spacingM: 500 },
  { name: 'thirty marks', marks: 30, spacingM: 200 },
  { name: 'many drop-outs', marks: 16, spacingM: 500, field: { ...HILLY, groundLossDb: 24 } },
  { name: 'small spread, whole S-units', marks: 14, spacingM: 300, field: { linkDb: 0.5, fadingDb: 0.7 } },
  {
    name: 'strong correlation along the leg',
    marks: 16,
    spacingM: 150,
    field: { shadowM: 1500, shadowDb: 8 },
  },
  { name: 'four repeats at six marks', marks: 6, spacingM: 500, repeats: 4 },
  { name: 'one direction only', marks: 14, spacingM: 350, oneWay: true },
  { name: 'reports half in words', marks: 20, spacingM: 300, field: { inWords: 0.5 } },
  { name: 'much fading', marks: 16, spacingM: 350, field: { fadingDb: 5, linkDb: 3 } },
  { name: 'a soft threshold', marks: 16, spacingM: 400, field: { ...HILLY, softDb: 5 } },
  { name: 'three links', marks: 12, spacingM: 400, links: 3 },
  { name: 'unequal power, evened', marks: 16, spacingM: 400, unequal: true },
]

const rig = (id: string, powerW: number, heightM: number): Rig => ({
  id,
  letter: id,
  name: id,
  kind: 'handheld',
  txMHz: 460,
  rxMHz: null,
  powerW,
  antennaHeightM: heightM,
  antennaGainDbi: null,
  leadLossDb: 0,
  attenuatorDb: 0,
  attenuatorAt: 'both ways',
})

function planOf(shape: Shape, seed: number): TrialPlan {
  const base = rig('Z', 25, 8)
  const links: Link[] = ['A', 'B', 'C'].slice(0, shape.links ?? 2).map((id) => ({
    id,
    letter: id,
    name: id,
    base,
    out: rig(id, shape.unequal && id === 'A' ? 25 : 2, 1.4),
  }))
  const scale = defaultScale('readability-strength')
  return {
    trialName: shape.name,
    base: null,
    question: '',
    links,
    marks: Array.from({ length: shape.marks }, (_, i): Mark => {
      const distanceM = 400 + i * shape.spacingM
      return {
        id: `m${i}`,
        name: `M${i}`,
        legId: 'l',
        legName: 'L',
        distanceM,
        distanceSdM: null,
        alongM: distanceM,
        bearingDeg: null,
        lat: null,
        lon: null,
      }
    }),
    directions: shape.oneWay ? ['to base'] : ['to base', 'from base'],
    scales: { base: scale, out: scale },
    copyRule: USUAL_COPY_RULE,
    repeats: shape.repeats ?? 1,
    order: { scheme: 'balanced', seed },
    sameAs: [],
    marginDb: 3,
    reliability: 0.9,
    surroundings: 'mixed',
    controlLinkId: null,
    need: { floorM: null, ceilingM: null },
  }
}

interface Tally {
  told: number
  held: number
  widths: number[]
  wrongSide: number
}

function trial(
  shape: Shape,
  seed: number,
  equal: boolean,
): { low: number; high: number; truth: number; verdict: string } | null {
  const random = seededRandom(seed * 31 + 7)
  const truth = equal ? 0 : 4 * random.normal()
  const plan = planOf(shape, seed)
  const field: SimulatedField = {
    ...ORDINARY_FIELD,
    ...HILLY,
    ...shape.field,
    seed,
    gainDbi: { A: truth, B: 0, C: 4 * random.normal() },
  }
  const checks: LoggedCheck[] = simulateRun(plan, field).map((c, i) => ({
    ...c,
    id: `c${i}`,
    time: '',
    voided: null,
    versions: 1,
  }))
  const pairs = comparePairs(inputOf(plan, plan.marks, checks, true))
  const pair = pairs.filter((p) => p.a === 'A' && p.b === 'B').at(-1)!
  if (!pair.evened || pair.evened.marksUsed.length < 4) return null
  const { low, high } = pair.evened.interval90
  const kind = pair.verdict.kind === 'better' ? `better ${pair.verdict.which}` : pair.verdict.kind
  return { low: low ?? -Infinity, high: high ?? Infinity, truth, verdict: kind }
}

const n = Number(process.argv[2] ?? 200)
const lines = [
  '# Does the judgement hold?',
  '',
  'Made by `npm run calibrate`; simulated trials through the whole of core, the true difference drawn from a normal',
  `distribution of 4 dB, ${n} trials of each shape and as many with no difference. Nominal intervals are 90 %.`,
  '',
  '| shape | trials told | truth held, % | median width, dB | better, wrong side, % | better between equal links, % |',
  '| --- | --- | --- | --- | --- | --- |',
]
for (const shape of SHAPES) {
  const tally: Tally = { told: 0, held: 0, widths: [], wrongSide: 0 }
  let falseBetter = 0
  for (let seed = 1; seed <= n; seed++) {
    const r = trial(shape, seed, false)
    if (r) {
      tally.told++
      if (r.low <= r.truth && r.truth <= r.high) tally.held++
      tally.widths.push(r.high - r.low)
      if ((r.verdict === 'better a' && r.truth < 0) || (r.verdict === 'better b' && r.truth > 0))
        tally.wrongSide++
    }
    if (trial(shape, seed + 100_000, true)?.verdict.startsWith('better')) falseBetter++
  }
  tally.widths.sort((a, b) => a - b)
  const share = (k: number, of: number) => ((100 * k) / Math.max(1, of)).toFixed(1)
  const width = tally.widths[Math.floor(tally.widths.length / 2)] ?? NaN
  const row = `| ${shape.name} | ${tally.told} | ${share(tally.held, tally.told)} | ${width.toFixed(1)} | ${share(tally.wrongSide, tally.told)} | ${share(falseBetter, n)} |`
  lines.push(row)
  console.log(row)
}
writeFileSync('docs/calibration.md', `${lines.join('\n')}\n`)
