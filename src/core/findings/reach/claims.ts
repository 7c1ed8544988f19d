import { distanceText, type Units } from '@/core/units'
import type { EdgeReach } from '@/core/reach/edgeRanking'
import type { UsableReach } from './jointReaches'
import { reachText } from '../words/words'

/** How a claimed reach stands against the log. */
export type ClaimStands = 'holds' | 'holds half the time' | 'does not hold here' | 'cannot tell'

/**
 * A claimed reach against what was found at 90, 50 and 10 in a hundred: it holds where even the low end of
 * the reach that is wanted lies beyond it, and does not where even the high end of the reach at 10 in a
 * hundred falls short.
 * @param reaches the usable reaches of one link
 */
export function judgeClaim(
  claimM: number,
  reaches: readonly UsableReach[],
  reliability: number,
): ClaimStands {
  const at = (chance: number) => reaches.find((r) => Math.abs(r.chance - chance) < 1e-9)?.reach
  const [wanted, half, tenth] = [at(reliability), at(0.5), at(0.1)]
  if (wanted?.seen === 'none copied') return wanted.nearestM < claimM ? 'does not hold here' : 'cannot tell'
  if (wanted?.seen === 'all copied') return wanted.farthestM >= claimM ? 'holds' : 'cannot tell'
  if (wanted?.lowM != null && wanted.lowM >= claimM) return 'holds'
  if (tenth?.highM != null && tenth.highM < claimM) return 'does not hold here'
  if (half?.lowM != null && half.lowM >= claimM) return 'holds half the time'
  return 'cannot tell'
}

/**
 * A claimed reach against walks to the edge: it holds where even the reach to count on lies beyond it, half the time
 * where the low end of the median does, and does not where the high end falls short.
 */
export function judgeEdgeClaim(claimM: number, { lowM, highM, surelyM }: EdgeReach): ClaimStands {
  if (lowM !== null && highM !== null && surelyM >= claimM) return 'holds'
  if (lowM !== null && lowM >= claimM) return 'holds half the time'
  if (highM !== null && highM < claimM) return 'does not hold here'
  return 'cannot tell'
}

/** The same in a sentence. */
export function edgeClaimWords(name: string, claimM: number, found: EdgeReach, units: Units): string {
  const { medianM, lowM, highM } = found
  const show = (m: number) => distanceText(m, units)
  const fact =
    lowM !== null && highM !== null
      ? `lost at about ${show(medianM)} (${show(lowM)} to ${show(highM)})`
      : lowM !== null
        ? `heard to ${show(lowM)} or more`
        : `lost by ${show(highM!)}`
  return `${name}, claimed ${show(claimM)}: ${judgeEdgeClaim(claimM, found)}; found here: ${fact}.`
}

/** Claim against fact, in a sentence. */
export function claimWords(
  name: string,
  claimM: number,
  reaches: readonly UsableReach[],
  reliability: number,
  units: Units,
): string {
  const stands = judgeClaim(claimM, reaches, reliability)
  const wanted = reaches.find((r) => Math.abs(r.chance - reliability) < 1e-9)
  const fact = wanted ? `found here: ${reachText(wanted.reach, units)}` : 'nothing was found here'
  return `${name}, claimed ${distanceText(claimM, units)}: ${stands}; ${fact}.`
}
