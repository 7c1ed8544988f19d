import { everyPair } from '@/core/everyPair'
import type { Link } from '@/core/kit/rig/rig'
import { EVENING_TERMS } from '../choices'
import { factorsOf, type Factor, type FactorName } from '@/core/kit/rig/traits'
import { holm } from '@/core/stats/exact/holm'
import type { FindingsInput, ReadCheck } from '../input'
import { evenedDraws } from '../joint/evenedDraws'
import { effectOf, type Effect } from '../joint/effects'
import { unitOf, type DifferenceUnit, type JointFit } from '../joint/jointFit'
import { leastSquares } from './leastSquares'

/** What one value of a factor brought against the first value. */
interface MainEffect {
  end: 'base' | 'out'
  names: FactorName[]
  level: string
  against: string
  effect: Effect
  /** Adjusted together with the other effects: surely not nought. */
  holds: boolean
}

/** How much more two things brought together than each for itself. */
interface Interaction {
  first: { end: 'base' | 'out'; level: string }
  second: { end: 'base' | 'out'; level: string }
  effect: Effect
  holds: boolean
}

/** Factors told apart within one trial. */
export interface Matrix {
  mains: MainEffect[]
  /** Those that were looked at; an interaction that holds qualifies the effects of its factors. */
  interactions: Interaction[]
  /** Things that always changed together, so that nothing can be credited to either. */
  together: { end: 'base' | 'out'; names: FactorName[] }[]
  /** Factors whose effect follows from the others' settings, so that it cannot be told. */
  confounded: { end: 'base' | 'out'; names: FactorName[] }[]
  unit: DifferenceUnit
  marks: number
}

interface Column {
  of:
    | { kind: 'main'; factor: Factor; level: number }
    | { kind: 'both'; a: Factor; i: number; b: Factor; k: number }
  values: Map<string, number>
}

const EVENED_BY: Record<(typeof EVENING_TERMS)[number], FactorName[]> = {
  power: ['power'],
  'lead loss': ['lead'],
  'antenna gain': [],
  attenuator: [],
  height: ['height'],
}

/** Factors of the links that were tried, less what is evened. */
const factorsIn = (input: FindingsInput, tried: readonly Link[]) =>
  factorsOf(tried, new Set(input.evening.flatMap((t) => EVENED_BY[t])))

/** Things that always changed together among the links that were tried. */
export function alwaysTogether(input: FindingsInput, checks: readonly ReadCheck[]): Matrix['together'] {
  const tried = input.links.filter((l) => checks.some((c) => c.linkId === l.id))
  return factorsIn(input, tried)
    .filter((f) => f.names.length > 1)
    .map(({ end, names }) => ({ end, names }))
}

/** Whether a column adds anything to those before it, over the links that were tried. */
function adds(columns: readonly Column[], column: Column, links: readonly string[]): boolean {
  const vectors = [links.map(() => 1), ...columns.map((c) => links.map((l) => c.values.get(l)!))]
  const basis: number[][] = []
  const rest = (v: number[]) => {
    let r = [...v]
    for (const b of basis) {
      const dot = r.reduce((s, x, i) => s + x * b[i]!, 0)
      r = r.map((x, i) => x - dot * b[i]!)
    }
    return r
  }
  for (const v of vectors) {
    const r = rest(v)
    const length = Math.hypot(...r)
    if (length > 1e-9) basis.push(r.map((x) => x / length))
  }
  return Math.hypot(...rest(links.map((l) => column.values.get(l)!))) > 1e-6
}

const mainColumn = (factor: Factor, level: number, links: readonly string[]): Column => ({
  of: { kind: 'main', factor, level },
  values: new Map(links.map((l) => [l, factor.levelOf.get(l) === level ? 1 : 0])),
})

/**
 * Main effects and interactions of everything that was set differently among the links of a trial, at either
 * end: what the links' levels in each draw of the joint model come to by generalised least squares, evened, adjusted
 * together by Holm. Nothing is said of a factor whose settings follow from the others'.
 * @returns null where fewer than two things can be told apart, which is a comparison of links and nothing more
 */
export function matrixOf(input: FindingsInput, checks: readonly ReadCheck[], joint: JointFit): Matrix | null {
  const tried = input.links.filter((l) => checks.some((c) => c.linkId === l.id))
  if (tried.length < 3) return null
  const ids = tried.map((l) => l.id)
  const factors = factorsIn(input, tried)
  const columns: Column[] = []
  const confounded: Factor[] = []
  for (const factor of factors)
    for (let level = 1; level < factor.levels.length; level++) {
      const column = mainColumn(factor, level, ids)
      if (adds(columns, column, ids)) columns.push(column)
      else if (!confounded.includes(factor)) confounded.push(factor)
    }
  const usable = factors.filter((f) => !confounded.includes(f))
  const together = factors.filter((f) => f.names.length > 1)
  if (usable.length < 2) return null
  const mains = columns.filter((c) => c.of.kind === 'main' && usable.includes(c.of.factor))
  const both: Column[] = []
  for (const [a, b] of everyPair(mains)) {
    if (a.of.kind !== 'main' || b.of.kind !== 'main' || a.of.factor === b.of.factor) continue
    const column: Column = {
      of: { kind: 'both', a: a.of.factor, i: a.of.level, b: b.of.factor, k: b.of.level },
      values: new Map(ids.map((l) => [l, a.values.get(l)! * b.values.get(l)!])),
    }
    if (adds([...mains, ...both], column, ids)) both.push(column)
  }
  const listeners = [...input.directions.keys()]
  const { unit, size } = unitOf(joint, listeners)
  const at = ids.map((id) => input.links.findIndex((l) => l.id === id))
  const levels = at.slice(1).map((l) => evenedDraws(input, joint.fit, l, at[0]!, listeners))
  // All against the first of them, which the joint model's level at a listener holds in common.
  const effectsOf = (design: readonly Column[]): Effect[] =>
    leastSquares(
      ids.slice(1).map((l) => design.map((d) => d.values.get(l)! - d.values.get(ids[0]!)!)),
      levels,
    ).map((draws) => effectOf(joint.fit, draws, size))
  const sure = (effects: readonly Effect[]) => holm(effects.map((e) => e.p)).map((p) => p < 0.05)
  const full = both.length > 0 ? effectsOf([...mains, ...both]) : []
  const crossed = full.slice(mains.length)
  const crossedHold = sure(crossed)
  // Without an interaction that holds, every effect is told by all links that had it, which is narrower.
  const kept = both.filter((_, i) => crossedHold[i])
  const effects = (
    kept.length > 0 && kept.length === both.length ? full : effectsOf([...mains, ...kept])
  ).slice(0, mains.length)
  const hold = sure(effects)
  const named = ({ end, names }: Factor) => ({ end, names })
  return {
    mains: mains.map((c, i) => {
      const { factor, level } = c.of as Extract<Column['of'], { kind: 'main' }>
      return {
        end: factor.end,
        names: factor.names,
        level: factor.levels[level]!,
        against: factor.levels[0]!,
        effect: effects[i]!,
        holds: hold[i]!,
      }
    }),
    interactions: both.map((c, i) => {
      const { a, i: la, b, k } = c.of as Extract<Column['of'], { kind: 'both' }>
      return {
        first: { end: a.end, level: a.levels[la]! },
        second: { end: b.end, level: b.levels[k]! },
        effect: crossed[i]!,
        holds: crossedHold[i]!,
      }
    }),
    together: together.map(named),
    confounded: confounded.map(named),
    unit,
    marks: new Set(checks.map((c) => c.markId)).size,
  }
}
