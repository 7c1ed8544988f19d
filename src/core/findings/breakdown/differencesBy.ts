import { effectOf, factorEffects, type FactorEffect } from '@/core/stats/factorEffects'
import type { FindingsInput, ReadCheck } from '../input'
import type { CellsById } from '../levels'
import { factorReports } from './reports'

/** The difference between two links within one group of checks. */
interface DifferenceIn {
  group: string
  effect: FactorEffect
  marks: number
}

/** How the difference between two links depends on something: leg, distance, kind of ground, time of day. */
export interface DifferenceBy {
  a: string
  b: string
  within: DifferenceIn[]
  /** Groups between which it surely differs, and by how much; the surest first. */
  change: { from: string; to: string; effect: FactorEffect } | null
  /** One link is surely better in one group and the other in another. */
  flips: boolean
}

const MIN_MARKS = 4

/**
 * Differences of every pair of links by groups of checks, within marks and all in one model, so that the
 * spreads are shared. A change is told at 5 in a hundred over all pairs of groups and links together
 * (Bonferroni), a flip only where both sides of it are sure by themselves.
 * @param groupOf the group of a check; null leaves it out
 * @returns empty where fewer than two groups have four marks
 */
export function differencesBy(
  input: FindingsInput,
  checks: readonly ReadCheck[],
  cells: CellsById,
  groupOf: (check: ReadCheck) => string | null,
): DifferenceBy[] {
  const links = input.links.filter((l) => checks.some((c) => c.linkId === l.id))
  const marksIn = new Map<string, Set<string>>()
  for (const c of checks) {
    const group = cells.has(c.id) ? groupOf(c) : null
    if (group !== null) marksIn.set(group, (marksIn.get(group) ?? new Set()).add(c.markId))
  }
  const groups = [...marksIn].filter(([, m]) => m.size >= MIN_MARKS).map(([g]) => g)
  if (links.length < 2 || groups.length < 2) return []
  // A column for each link but the first in each group: its difference from the first there.
  const column = (link: number, group: number) => (link - 1) * groups.length + group
  const columns = (links.length - 1) * groups.length
  const fit = factorEffects(
    factorReports(input, checks, cells, (c) => {
      const group = groupOf(c)
      const [k, g] = [links.findIndex((l) => l.id === c.linkId), group === null ? -1 : groups.indexOf(group)]
      if (g < 0 || k < 0) return null
      const x = new Array<number>(columns).fill(0)
      if (k > 0) x[column(k, g)] = 1
      return x
    }),
    columns,
  )
  if (!fit) return []
  const at = (draw: readonly number[], link: number, group: number) =>
    link === 0 ? 0 : draw[column(link, group)]!
  const pairs = links.flatMap((_, i) => links.slice(i + 1).map((__, k) => [i, i + 1 + k] as const))
  const looks = (pairs.length * groups.length * (groups.length - 1)) / 2
  const sure = (e: FactorEffect) => 2 * Math.min(e.chanceAboveNought, 1 - e.chanceAboveNought) * looks < 0.05
  return pairs.map(([i, k]) => {
    const draws = groups.map((_, g) => fit.draws.map((d) => at(d, i, g) - at(d, k, g)))
    const within = groups.map((group, g) => ({
      group,
      effect: effectOf(draws[g]!),
      marks: marksIn.get(group)!.size,
    }))
    const changes = groups
      .flatMap((_, g) =>
        groups.slice(g + 1).map((__, n) => {
          const h = g + 1 + n
          return {
            from: groups[g]!,
            to: groups[h]!,
            effect: effectOf(draws[h]!.map((v, t) => v - draws[g]![t]!)),
          }
        }),
      )
      .filter((c) => sure(c.effect))
      .sort((x, y) => Math.abs(y.effect.estimate) - Math.abs(x.effect.estimate))
    const above = within.some((w) => w.effect.interval95.low! > 0)
    const below = within.some((w) => w.effect.interval95.high! < 0)
    return {
      a: links[i]!.id,
      b: links[k]!.id,
      within,
      change: changes[0] ?? null,
      flips: changes.length > 0 && above && below,
    }
  })
}
