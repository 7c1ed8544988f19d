import { termDraws } from '@/core/model/answers'
import type { FindingsInput, ReadCheck } from '../input'
import { effectOf, type Effect } from '../joint/effects'
import { unitOf, type DifferenceUnit, type JointFit } from '../joint/jointFit'
import { beginDifferencesBy, type DifferenceBy } from './differencesBy'

/** A run against the first: by how much everything was stronger or weaker that day, the mean of its directions. */
export interface RunOffset {
  runId: string
  effect: Effect
  unit: DifferenceUnit
  /** Marks that both runs have reports from. */
  marks: number
}

/** A run in which a difference came out surely otherwise than in another. */
export interface RunApart {
  a: string
  b: string
  /** A - B in either run. */
  there: { runId: string; estimate: number }
  elsewhere: { runId: string; estimate: number }
  unit: DifferenceUnit
}

/** Each run after the first against it, as the joint model has it. */
export function runOffsets(input: FindingsInput, checks: readonly ReadCheck[], joint: JointFit): RunOffset[] {
  const [first] = input.runs
  if (!first) return []
  const { unit, size } = unitOf(joint, [...input.directions.keys()])
  const marksOf = (runId: string | undefined) =>
    new Set(checks.flatMap((c) => (c.runId === runId ? [c.markId] : [])))
  const here = marksOf(first.id)
  return joint.input.days.flatMap(({ runId, first: term }) => {
    if (runId === undefined) return []
    const draws = input.directions.map((_, d) => termDraws(joint.fit, term + d))
    const mean = draws[0]!.map((_, i) => draws.reduce((s, v) => s + v[i]!, 0) / draws.length)
    const marks = [...marksOf(runId)].filter((m) => here.has(m)).length
    return [{ runId, effect: effectOf(joint.fit, mean, size), unit, marks }]
  })
}

/** Pairs of links whose difference is surely another in one run than in another. @returns what waits for them */
export function beginRunsApart(
  input: FindingsInput,
  checks: readonly ReadCheck[],
  joint: JointFit,
): () => RunApart[] {
  if (input.runs.length < 2) return () => []
  const byRun = beginDifferencesBy(input, checks, joint, (c) => c.runId ?? null)
  return () => byRun().flatMap(apart)
}

function apart({ a, b, unit, within, change }: DifferenceBy): RunApart[] {
  if (!change) return []
  const of = (runId: string) => ({
    runId,
    estimate: within.find((w) => w.group === runId)!.effect.estimate,
  })
  // The one that lies farther from what the others say is the odd one.
  const [p, q] = [of(change.from), of(change.to)]
  const middle = within.map((w) => w.effect.estimate).sort((x, y) => x - y)[Math.floor(within.length / 2)]!
  const odd = Math.abs(p.estimate - middle) > Math.abs(q.estimate - middle) ? p : q
  return [{ a, b, there: odd, elsewhere: odd === p ? q : p, unit }]
}
