// The shapes of trial that the judgement is tested on, and one simulated trial of a shape.
import { comparePair, inputOf, pairedMarks, readChecks, judgePairs, cellsOf } from '../src/core/findings'
import { link, plan, rig } from '../src/core/testing/plans'
import { knownDifferences, sumDb, type Direction } from '../src/core/kit'
import { defaultScale, type Scale } from '../src/core/reports'
import { ORDINARY_FIELD, simulateRun, type SimulatedField } from '../src/core/sim'
import { integrated, posteriorOn, posteriorQuantile, seededRandom } from '../src/core/stats'
import { asLogged, type TrialPlan } from '../src/core/trial'

export interface Shape {
  name: string
  marks: number
  spacingM: number
  repeats?: number
  oneWay?: boolean
  links?: number
  field?: Partial<SimulatedField>
  /** A has 25 W and B 2 W, which evening takes out. */
  unequal?: boolean
  scale?: 'in dB' | 'unknown step'
  /** Looks after every mark and stops when the interval that allows for it excludes nought. */
  stops?: boolean
}

const HILLY = { groundLossDb: 14, extraSlopeDb: 24 }

export const SHAPES: Shape[] = [
  { name: 'six marks', marks: 6, spacingM: 500 },
  { name: 'thirty marks', marks: 30, spacingM: 200 },
  {
    name: 'many drop-outs, one direction',
    marks: 16,
    spacingM: 500,
    oneWay: true,
    field: { groundLossDb: 24 },
  },
  { name: 'small spread, whole S-units', marks: 14, spacingM: 300, field: { linkDb: 0.5, fadingDb: 0.7 } },
  { name: 'a display in dB', marks: 12, spacingM: 300, scale: 'in dB', field: { inDbm: true } },
  {
    name: 'strong correlation along the leg',
    marks: 16,
    spacingM: 150,
    field: { shadowM: 1500, shadowDb: 8 },
  },
  { name: 'four repeats at six marks', marks: 6, spacingM: 500, repeats: 4 },
  { name: 'one direction only', marks: 14, spacingM: 350, oneWay: true },
  { name: 'a steep slope', marks: 14, spacingM: 350, field: { groundLossDb: 4, extraSlopeDb: 45 } },
  { name: 'unequal spread', marks: 16, spacingM: 350, field: { erraticDb: { A: 5 } } },
  { name: 'three links', marks: 12, spacingM: 400, links: 3 },
  { name: 'a stop in the field', marks: 24, spacingM: 250, stops: true },
  { name: 'reports half in words', marks: 20, spacingM: 300, field: { inWords: 0.5 } },
  { name: 'a soft threshold, much fading', marks: 16, spacingM: 400, field: { softDb: 5, fadingDb: 4 } },
  {
    name: 'a meter of unknown step, really 4.5 dB',
    marks: 16,
    spacingM: 300,
    scale: 'unknown step',
    field: { meterStepDb: 4.5 },
  },
  { name: 'unequal power, evened', marks: 16, spacingM: 400, unequal: true },
]

const handheld = (id: string, powerW: number) => rig(id, { powerW })
const BASE = rig('Z', { powerW: 25, antennaHeightM: 8 })

function scaleOf(shape: Shape): Scale {
  if (shape.scale === 'in dB') return defaultScale('level')
  const scale = defaultScale('readability-strength')
  if (shape.scale !== 'unknown step' || scale.kind !== 'readability-strength') return scale
  return { ...scale, strength: { ...scale.strength, by: 'stranger', stepDb: null } }
}

function planOf(shape: Shape, seed: number): TrialPlan {
  const links = ['A', 'B', 'C']
    .slice(0, shape.links ?? 2)
    .map((id) => link(handheld(id, shape.unequal && id === 'A' ? 25 : 2), BASE))
  const usual = plan(links, shape.marks, scaleOf(shape), shape.repeats ?? 1)
  return {
    ...usual,
    marks: usual.marks.map((m, i) => {
      const distanceM = 400 + i * shape.spacingM
      return { ...m, distanceM, alongM: distanceM }
    }),
    directions: shape.oneWay ? ['to base'] : ['to base', 'from base'],
    order: { scheme: 'balanced', seed },
  }
}

export interface Outcome {
  low: number
  high: number
  truth: number
  verdict: 'better, right' | 'better, wrong' | 'alike' | 'cannot tell'
  /** Width of the 90 % interval of one who knows the spreads, dB. */
  oracleWidth: number
}

/**
 * One simulated trial of a shape; null where fewer marks than the least say anything.
 * @param equal no difference between A and B
 */
export function trialOf(shape: Shape, seed: number, equal: boolean): Outcome | null {
  const random = seededRandom(seed * 7919 + 104729)
  const truth = equal ? 0 : 4 * random.normal()
  const tried = planOf(shape, seed)
  const field: SimulatedField = {
    ...ORDINARY_FIELD,
    ...HILLY,
    ...shape.field,
    seed,
    gainDbi: { A: truth, B: 0, C: 4 * random.normal() },
  }
  const all = simulateRun(tried, field).map((c, i) =>
    asLogged(c, { id: `c${i}`, time: '', device: 'simulated', role: 'out there' }),
  )
  const scope = shape.oneWay ? 'to base' : 'both'
  const judge = (marks: number) => {
    const seen = new Set(tried.marks.slice(0, marks).map((m) => m.id))
    const input = inputOf(
      tried,
      tried.marks,
      all.filter((c) => seen.has(c.markId)),
      !shape.stops,
    )
    const { checks } = readChecks(input)
    const cells = cellsOf(input, checks)
    const pairs = tried.links.flatMap((a, i) =>
      tried.links.slice(i + 1).map((b) => comparePair(input, checks, cells, a, b, scope)),
    )
    const pair = judgePairs(pairs, tried.marginDb, input.fixedBeforehand, 6)[0]!
    return { pair, checks, cells }
  }
  const known = (d: Direction) => sumDb(knownDifferences(tried.links[0]!, tried.links[1]!, d))
  let marks = shape.marks
  if (shape.stops)
    for (let k = 4; k <= shape.marks; k++) {
      const { pair } = judge(k)
      if (pair.verdict.kind === 'better') {
        marks = k
        break
      }
    }
  const { pair, checks, cells } = judge(marks)
  if (!pair.evened || pair.evened.marksUsed.length < 4) return null
  const { low, high } = shape.stops ? pair.alwaysValid : pair.evened.interval90
  const { verdict } = pair
  const right = verdict.kind === 'better' && (verdict.which === 'a' ? truth > 0 : truth < 0)
  const used = new Set(pair.evened.marksUsed)
  const telling = pairedMarks(
    tried.marks.filter((m) => used.has(m.id)),
    checks,
    cells[Math.floor(cells.length / 2)]!,
    'A',
    'B',
    tried.directions,
    known,
  ).map((m) => ({ ...m, groups: m.groups.filter((g) => g.a.length > 0 && g.b.length > 0) }))
  const own = (id: string) => field.erraticDb?.[id] ?? field.linkDb
  const oracle = posteriorOn(
    integrated(telling, 60, [field.fadingDb], [Math.hypot(own('A'), own('B'))]),
    -60,
    60,
    481,
  )
  return {
    low: low ?? -Infinity,
    high: high ?? Infinity,
    truth,
    verdict: verdict.kind === 'better' ? (right ? 'better, right' : 'better, wrong') : verdict.kind,
    oracleWidth: posteriorQuantile(oracle.grid, 0.95) - posteriorQuantile(oracle.grid, 0.05),
  }
}
