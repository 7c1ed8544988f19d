import type { FindingsInput, ReadCheck } from '../input'
import type { MarkedLevels } from '../reach/levelFindings'
import type { JudgedPair } from '../compare/verdict'
import type { CellsById } from '../levels'
import { normalCdf } from '@/core/stats/numeric/normal'

/** What would narrow an answer most. */
export interface NextBest {
  a: string
  b: string
  /** Distances over which most pairs would tell something, m. */
  fromM: number
  toM: number
  /** Chance there that a pair of reports bounds the difference. */
  tells: number
  /** Marks of the plan that would narrow it most for the time they take, the best first. */
  marks: { markId: string; visits: number; perHour: number }[]
  /** Pairs that are still wanted for the margin that matters; null where the answer is there or cannot be foreseen. */
  pairsWanted: number | null
}

const WALK_KMH = 4
const MINUTES_A_CHECK = 1.5

/**
 * The next checks that tell most about a pair, under the fitted levels: at a mark the pair bounds the
 * difference unless both are below hearing or both at full scale; a mark already visited narrows only what
 * differs from call to call. Walking from the base to the mark is counted.
 */
export function nextBest(
  input: FindingsInput,
  checks: readonly ReadCheck[],
  cells: CellsById,
  fit: MarkedLevels | null,
  pair: JudgedPair,
): NextBest | null {
  if (!fit) return null
  const seen = [...cells.values()]
  const floor = seen.filter((c) => c.notHeard).map((c) => c.upper)
  const tops = seen.filter((c) => !c.inWords && c.upper === Infinity).map((c) => c.lower)
  const threshold = floor.length > 0 ? Math.max(...floor) : Math.min(...seen.map((c) => c.upper))
  const full = tops.length > 0 ? Math.min(...tops) : Infinity
  const { levels, slope, shadowDb, linkDb, callDb } = fit.parameters
  const spread = Math.hypot(linkDb, callDb)
  const tellsAt = (distanceM: number) => {
    const lg = Math.log10(distanceM / 1000)
    const ofDirection = input.directions.flatMap((d) => {
      const [i, k] = [pair.a, pair.b].map((l) => fit.groups.indexOf(`${l} ${d}`)) as [number, number]
      if (i < 0 || k < 0) return []
      // Shadowing is shared by both, so it is averaged over and not squared.
      let sum = 0
      let all = 0
      for (let z = -2.4; z <= 2.41; z += 0.4) {
        const w = Math.exp(-0.5 * z * z)
        const level = (g: number) => levels[g]! - 10 * slope * lg + z * shadowDb
        const below = (g: number) => normalCdf((threshold - level(g)) / spread)
        const above = (g: number) => (full === Infinity ? 0 : normalCdf((level(g) - full) / spread))
        sum += w * (1 - below(i) * below(k) - above(i) * above(k))
        all += w
      }
      return [sum / all]
    })
    return ofDirection.length > 0 ? ofDirection.reduce((s, v) => s + v, 0) / ofDirection.length : 0
  }
  const far = Math.max(...input.marks.map((m) => m.distanceM))
  const near = Math.min(...input.marks.map((m) => m.distanceM))
  const grid = Array.from({ length: 60 }, (_, i) => near * ((far * 1.3) / near) ** (i / 59)).map((m) => ({
    m,
    tells: tellsAt(m),
  }))
  const most = Math.max(...grid.map((g) => g.tells))
  if (!(most > 0)) return null
  const good = grid.filter((g) => g.tells > 0.85 * most)
  const visits = (id: string) =>
    new Set(
      checks
        .filter((c) => c.markId === id && (c.linkId === pair.a || c.linkId === pair.b))
        .map((c) => `${c.runId} ${c.repeat}`),
    ).size
  const marks = input.marks
    .map((m) => {
      const n = visits(m.id)
      // The second visit narrows what differs from call to call; what a link has of its own there stays.
      const variance = (k: number) =>
        2 * linkDb * linkDb + (2 * callDb * callDb) / (k * input.directions.length)
      const gain = n === 0 ? 1 / variance(1) : 1 / variance(n + 1) - 1 / variance(n)
      const minutes =
        (2 * m.distanceM * 60) / (WALK_KMH * 1000) / Math.max(1, input.marks.length / 2) +
        2 * input.directions.length * MINUTES_A_CHECK
      return { markId: m.id, visits: n, perHour: (60 * tellsAt(m.distanceM) * gain) / minutes }
    })
    .sort((x, y) => y.perHour - x.perHour)
  const needed = pair.verdict.kind === 'cannot tell' ? pair.verdict.marksNeeded : null
  const used = pair.evened?.marksUsed.length ?? 0
  return {
    a: pair.a,
    b: pair.b,
    fromM: good[0]!.m,
    toM: good[good.length - 1]!.m,
    tells: most,
    marks: marks.slice(0, 5),
    pairsWanted: needed !== null && needed > used ? needed - used : null,
  }
}
