import { everyPair } from '@/core/everyPair'
import { knownDifferences, listenerOf, sumDb } from '@/core/kit/rig/rig'
import { isInDb, levelCell } from '@/core/reports/toCell'
import { alwaysValidInterval } from '@/core/stats/alwaysValid'
import { cellMiddle } from '@/core/stats/scales/levelCell'
import { checkReader } from '@/core/trial/checkReader'
import { standingChecks, type RunLog } from '@/core/trial/foldEntries'
import type { TrialPlan } from '@/core/trial/plan'

/** What is known of two links while still out there, valid however often one looks. */
export interface WhileOut {
  a: string
  b: string
  marks: number
  low: number
  high: number
  /** Which is better: told, so that one may stop asking. */
  better: 'a' | 'b' | null
}

/** Nominal dB of a step that nobody measured: enough to say which is better, not by how much. */
const NOMINAL_STEP_DB = 6

/**
 * The evened difference of every two links by the marks so far, with the always-valid interval at 10 %: directions and
 * repeats of a mark are averaged first, since they are not further evidence. Marks where either was not
 * heard, or beyond the scale, say nothing here; the findings count them.
 * @returns only pairs whose interval is finite, the plan's links in their order
 */
export function whileOut(plan: TrialPlan, log: RunLog): WhileOut[] {
  const levels = new Map<string, number[]>()
  const steps = new Set<number>()
  const read = checkReader(plan.scales)
  for (const c of standingChecks(log)) {
    const scale = plan.scales[listenerOf(c.direction)]
    if (c.state === 'sent' || !isInDb(scale)) continue
    const step = 'strength' in scale ? (scale.strength.stepDb ?? NOMINAL_STEP_DB) : 1
    steps.add(step)
    const cell = levelCell(read(c), scale, step)
    const middle = cell && cellMiddle(cell)
    if (middle === null) continue
    const key = `${c.markId} ${c.direction} ${c.linkId}`
    levels.set(key, [...(levels.get(key) ?? []), middle + c.attenuationDb])
  }
  // Rounding to a step spreads a difference by this much, even where all that were seen are the same.
  const leastSd = steps.size > 0 ? Math.min(...steps) / Math.sqrt(6) : 0
  const mean = (v: readonly number[]) => v.reduce((s, x) => s + x, 0) / v.length
  const marks = [...new Set(standingChecks(log).map((c) => c.markId))]
  return everyPair(plan.links).flatMap(([a, b]): WhileOut[] => {
    const differences = marks.flatMap((m) => {
      const here = plan.directions.flatMap((d) => {
        const [x, y] = [levels.get(`${m} ${d} ${a.id}`), levels.get(`${m} ${d} ${b.id}`)]
        return x && y ? [mean(x) - mean(y) - sumDb(knownDifferences(a, b, d))] : []
      })
      return here.length > 0 ? [mean(here)] : []
    })
    const { low, high } = alwaysValidInterval(differences, 0.1, leastSd)
    if (low === null || high === null) return []
    const better = low > 0 ? 'a' : high < 0 ? 'b' : null
    return [{ a: a.id, b: b.id, marks: differences.length, low, high, better }]
  })
}

/** In a sentence: answered, or what is known so far; null where there is nothing to say. */
export function whileOutWords(found: readonly WhileOut[], name: (id: string) => string): string | null {
  if (found.length === 0) return null
  const told = found.filter((f) => f.better !== null)
  const words = told.map((f) => {
    const [first, second] = f.better === 'a' ? [f.a, f.b] : [f.b, f.a]
    return `${name(first)} is better than ${name(second)}`
  })
  if (told.length === found.length) return `Answered, you may stop: ${words.join('; ')}.`
  if (told.length > 0) return `Told so far: ${words.join('; ')}.`
  return null
}
