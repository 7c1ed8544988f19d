import { holm } from '@/core/stats/exact/holm'
import { normalQuantile } from '@/core/stats/numeric/normalQuantile'
import type { Interval } from '@/core/stats/interval'
import type { PairComparison } from './comparePair'

/** Fewer marks than this say nothing for sure. */
const MIN_MARKS = 4

type Verdict =
  | { kind: 'better'; which: 'a' | 'b'; adjustedP: number; interval: 'plain' | 'always valid' | 'sign test' }
  | { kind: 'alike'; marginDb: number }
  | { kind: 'cannot tell'; why: string; marksNeeded: number | null }

/** A comparison with its verdict, judged together with the other pairs of its scope. */
export type JudgedPair = PairComparison & {
  verdict: Verdict
  /** The 90 % interval that the verdict goes by, dB or steps: the one that allows for stopping where that may have been. */
  quoted: { interval: Interval; allowsForStopping: boolean } | null
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

/** The chance that A is better; null where only wins and losses tell. */
const chanceOf = (pair: PairComparison) => pair.joint?.aBetter ?? null

function pValue(pair: PairComparison, fixed: boolean): number {
  const chance = chanceOf(pair)
  if (chance !== null) return fixed ? 2 * Math.min(chance, 1 - chance) : (pair.alwaysValidP ?? 1)
  return pair.wins.p ?? 1
}

function better(pair: PairComparison, p: number, fixed: boolean): Verdict | null {
  if (p >= 0.05) return null
  const chance = chanceOf(pair)
  if (chance === null)
    return {
      kind: 'better',
      which: pair.wins.wins > pair.wins.losses ? 'a' : 'b',
      adjustedP: p,
      interval: 'sign test',
    }
  const which = chance > 0.5 ? 'a' : 'b'
  return { kind: 'better', which, adjustedP: p, interval: fixed ? 'plain' : 'always valid' }
}

function quotedOf({ joint, evened, alwaysValid }: PairComparison, fixed: boolean): JudgedPair['quoted'] {
  const plain = evened?.interval90 ?? joint?.steps
  if (!plain) return null
  return fixed || !alwaysValid
    ? { interval: { low: plain.low, high: plain.high }, allowsForStopping: false }
    : { interval: alwaysValid, allowsForStopping: true }
}

/** Rounds of one place, each rig connected anew, are as good as marks for what holds there. */
const MIN_ROUNDS = 2

/** Why so few units say nothing; null where they are enough. */
function tooFew({ joint, evened }: PairComparison): string | null {
  if (joint?.onePlace)
    return joint.used < MIN_ROUNDS
      ? `only ${joint.used === 1 ? 'one round says' : 'no round says'} anything about it, and ${MIN_ROUNDS} are the least`
      : null
  const used = joint?.used ?? evened?.marksUsed.length
  return used === undefined || used >= MIN_MARKS
    ? null
    : `only ${used} ${used === 1 ? 'mark says' : 'marks say'} anything about it, and ${MIN_MARKS} are the least`
}

const inside = (interval: Interval | null | undefined, marginDb: number) =>
  interval?.low != null && interval.high != null && interval.low > -marginDb && interval.high < marginDb

function judge(pair: PairComparison, p: number, marginDb: number, fixed: boolean, stepDb: number): Verdict {
  const few = tooFew(pair)
  if (few) return { kind: 'cannot tell', why: few, marksNeeded: null }
  const won = better(pair, p, fixed)
  if (won) return won
  const { evened, joint } = pair
  // Alike is said where 19 in 20 of what is possible lies within the margin, and never of less than was looked at.
  if (evened && inside(fixed ? evened.interval95 : pair.alwaysValid, marginDb))
    return { kind: 'alike', marginDb }
  const spread = evened?.spread ?? null
  const early = fixed ? '' : 'the run ended early; allowing for that, '
  return {
    kind: 'cannot tell',
    why: evened
      ? `${early}the difference could be 0, or more than the ${marginDb} dB that matter`
      : joint
        ? `${early}the difference could be 0`
        : 'wins and losses are too even, or too few',
    marksNeeded: spread === null ? null : marksNeeded(spread, stepDb, marginDb),
  }
}

/** What an instrument without a model says against the verdict; null where it does not. */
function disagreementOf(pair: PairComparison, verdict: Verdict, alone: boolean): string | null {
  const { wins, losses, p, of } = pair.wins
  const leans = wins === losses ? null : wins > losses ? 'a' : 'b'
  const { plain } = pair
  const plainly = plain && (plain.low > 0 ? 'a' : plain.high < 0 ? 'b' : null)
  if (verdict.kind === 'better' && verdict.interval !== 'sign test') {
    if (leans !== null && leans !== verdict.which) return `Wins and losses by ${of} lean the other way.`
    if (plainly && plainly !== verdict.which) return `The plain mean over ${of}s points the other way.`
    return null
  }
  if (verdict.kind !== 'better' && p !== null && p < 0.05 && alone)
    return `Wins and losses by ${of} alone would call a winner.`
  return null
}

/**
 * Verdicts for pairs, adjusted together by Holm. "Better": the 95 % interval excludes nought after adjusting.
 * "Alike": the 95 % interval lies inside the margin. Else "cannot tell".
 * @param stepDb the reports' ordinary step, dB
 * @param family all that are judged together with these; these alone where it is not given
 */
export function judgePairs(
  pairs: readonly PairComparison[],
  marginDb: number,
  fixedBeforehand: boolean,
  stepDb: number,
  family: readonly PairComparison[] = pairs,
): JudgedPair[] {
  const adjusted = holm(family.map((pair) => pValue(pair, fixedBeforehand)))
  return pairs.map((pair) => {
    const verdict = judge(pair, adjusted[family.indexOf(pair)]!, marginDb, fixedBeforehand, stepDb)
    return {
      ...pair,
      verdict,
      quoted: quotedOf(pair, fixedBeforehand),
      disagreement: disagreementOf(pair, verdict, pairs.length === 1),
    }
  })
}
