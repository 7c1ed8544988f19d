import { holm } from '@/core/stats/holm'
import { normalQuantile } from '@/core/stats/normal'
import { MIN_MARKS } from '@/core/stats/pairedDifference'
import type { PairComparison } from './comparePair'

type Verdict =
  | { kind: 'better'; which: 'a' | 'b'; adjustedP: number; interval: 'plain' | 'always valid' | 'sign test' }
  | { kind: 'alike'; marginDb: number }
  | { kind: 'cannot tell'; why: string; marksNeeded: number | null }

/** A comparison with its verdict, judged together with the other pairs of its scope. */
export type JudgedPair = PairComparison & {
  verdict: Verdict
  /** The two instruments point different ways. */
  disagreement: string | null
}

/**
 * Marks that would tell a difference of `marginDb` with 80 % power at the 5 % level, by the normal
 * approximation with the spread at a mark and the rounding of two meters.
 */
export function marksNeeded(spreadDb: number, stepDb: number, marginDb: number): number {
  const variance = spreadDb * spreadDb + (2 * stepDb * stepDb) / 12
  const z = normalQuantile(0.975) + normalQuantile(0.8)
  return Math.max(MIN_MARKS, Math.ceil((z * z * variance) / (marginDb * marginDb)) + 2)
}

function pValue(pair: PairComparison): number {
  if (pair.evened) {
    const chance = pair.evened.chanceAIsBetter
    return chance === null ? 1 : 2 * Math.min(chance, 1 - chance)
  }
  return pair.wins.p ?? 1
}

function better(pair: PairComparison, p: number, fixed: boolean): Verdict | null {
  if (p >= 0.05) return null
  if (!pair.evened)
    return {
      kind: 'better',
      which: pair.wins.wins > pair.wins.losses ? 'a' : 'b',
      adjustedP: p,
      interval: 'sign test',
    }
  const which = pair.evened.chanceAIsBetter! > 0.5 ? 'a' : 'b'
  if (fixed) return { kind: 'better', which, adjustedP: p, interval: 'plain' }
  const { low, high } = pair.alwaysValid
  if ((low !== null && low > 0) || (high !== null && high < 0))
    return { kind: 'better', which, adjustedP: p, interval: 'always valid' }
  return null
}

function judge(pair: PairComparison, p: number, marginDb: number, fixed: boolean, stepDb: number): Verdict {
  if (pair.evened && pair.evened.marksUsed.length < MIN_MARKS)
    return {
      kind: 'cannot tell',
      why: `only ${pair.evened.marksUsed.length} marks say anything about it, and ${MIN_MARKS} are the least`,
      marksNeeded: null,
    }
  const won = better(pair, p, fixed)
  if (won) return won
  const interval = fixed ? pair.evened?.interval90 : pair.alwaysValid
  if (pair.evened && interval && interval.low !== null && interval.high !== null)
    if (interval.low > -marginDb && interval.high < marginDb) return { kind: 'alike', marginDb }
  const spread = pair.evened?.spread ?? null
  return {
    kind: 'cannot tell',
    why: pair.evened
      ? fixed
        ? 'the interval holds nought and more than the margin'
        : 'the run ended early, and the interval that allows for that holds nought'
      : 'wins and losses are too even, or too few',
    marksNeeded: spread === null ? null : marksNeeded(spread, stepDb, marginDb),
  }
}

/**
 * Verdicts for all pairs of one scope, adjusted together by Holm. "Better": the 95 % interval excludes nought after
 * adjusting. "Alike": the 90 % interval lies inside the margin. Else "cannot tell".
 * @param stepDb the reports' ordinary step, dB
 */
export function judgePairs(
  pairs: readonly PairComparison[],
  marginDb: number,
  fixedBeforehand: boolean,
  stepDb: number,
): JudgedPair[] {
  const adjusted = holm(pairs.map(pValue))
  return pairs.map((pair, i) => {
    const verdict = judge(pair, adjusted[i]!, marginDb, fixedBeforehand, stepDb)
    const { wins, losses, p } = pair.wins
    const leans = wins === losses ? null : wins > losses ? 'a' : 'b'
    const disagreement =
      verdict.kind === 'better' &&
      verdict.interval !== 'sign test' &&
      leans !== null &&
      leans !== verdict.which
        ? 'Wins and losses by mark lean the other way.'
        : verdict.kind !== 'better' && p !== null && p < 0.05 && pairs.length === 1
          ? 'Wins and losses by mark alone would call a winner.'
          : null
    return { ...pair, verdict, disagreement }
  })
}
