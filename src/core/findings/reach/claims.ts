import { distanceText, type Units } from '@/core/units'
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
