import { normalCdf } from '@/core/stats/normal'
import { minimise } from '@/core/stats/minimise'
import type { NeededLevel } from './reachFromLevels'

/** A level as far as it was read, and whether the check was copied by the rule. */
export interface LevelAndCopy {
  levelDb: number
  copied: boolean
}

/**
 * The level at which half of the calls are copied by the agreed rule, and how soft that edge is: a probit of copies on
 * levels, with weak priors, level around where copies begin with 10 dB and ln softness ~ N(ln 3, 0.5). Checks that were
 * not heard count as not copied at the threshold of hearing.
 * @param seen at least one copied check
 * @param hearing the listener's threshold of hearing, dB; null where everything was heard
 * @returns null where nothing was copied
 */
export function neededLevel(
  seen: readonly LevelAndCopy[],
  notHeard: number,
  hearing: NeededLevel | null,
): NeededLevel | null {
  const copied = seen.filter((s) => s.copied)
  if (copied.length === 0) return null
  const weakest = Math.min(...copied.map((s) => s.levelDb))
  const lost = seen.filter((s) => !s.copied)
  // Where all that was heard was copied, hearing itself is what is needed.
  if (lost.length === 0 && hearing) return hearing
  const floor = hearing?.levelDb ?? weakest - 3
  const cost = ([level, logSoft]: readonly number[]) => {
    const soft = Math.exp(logSoft!)
    let log = -0.5 * ((level! - weakest) / 10) ** 2 - 0.5 * ((logSoft! - Math.log(3)) / 0.5) ** 2
    for (const s of seen) {
      const z = (s.levelDb - level!) / soft
      log += Math.log(Math.max(normalCdf(s.copied ? z : -z), 1e-300))
    }
    log += notHeard * Math.log(Math.max(normalCdf((level! - floor) / soft), 1e-300))
    return -log
  }
  const { x } = minimise(cost, [weakest, Math.log(3)], [4, 0.4], 0.01)
  return { levelDb: x[0]!, softDb: Math.exp(x[1]!) }
}
