import type { Link } from '@/core/kit/rig/rig'
import { pathOver, predictBoth, type PredictionSettings } from './predict'
import { pathClearance, type GroundProfile } from '@/core/terrain'
import type { Mark } from '@/core/trial/plan'

/** What a base at a site with a mast of some height would do for the marks. */
export interface SitePrediction {
  heightM: number
  /** Marks whose weaker direction is copied 9 times in 10, as a share; of those on known ground. */
  coveredShare: number
  inSight: number
  marks: number
  meanMarginDb: number
  /** Pairs of marks that hear one another through a relay here 9 times in 10, as a share. */
  relayedShare: number
}

/** A place counts as covered where copy is expected this often. */
const SURE = 0.9

/**
 * A site against the marks, for one link's rigs and a mast of its own. Null where no mark's ground is known.
 * @param elsewhere it is not where the log was made from, so what that knows of a place holds in part
 */
export function sitePrediction(
  marks: readonly Mark[],
  profiles: ReadonlyMap<string, GroundProfile>,
  link: Link,
  heightM: number,
  settings: PredictionSettings,
  elsewhere: boolean,
): SitePrediction | null {
  const raised = { ...link, base: { ...link.base, antennaHeightM: heightM } }
  const there = marks.flatMap((m) => {
    const profile = profiles.get(m.id)
    if (!profile || profile.knownKm < profile.lengthKm || profile.lengthKm <= 0) return []
    const path = { ...pathOver(profile), fromOther: elsewhere }
    const { toBase, fromBase, weaker } = predictBoth(raised, path, settings)
    const kind = pathClearance(profile, heightM, link.out.antennaHeightM, link.out.txMHz, settings.k).kind
    return [{ up: toBase.chance, down: fromBase.chance, weaker, kind }]
  })
  if (there.length === 0) return null
  let [pairs, relayed] = [0, 0]
  for (let i = 0; i < there.length; i++)
    for (let j = 0; j < there.length; j++) {
      if (i === j) continue
      pairs++
      if (there[i]!.up * there[j]!.down >= SURE) relayed++
    }
  return {
    heightM,
    marks: there.length,
    coveredShare: there.filter((t) => t.weaker.chance >= SURE).length / there.length,
    inSight: there.filter((t) => t.kind !== 'shadowed').length,
    meanMarginDb: there.reduce((s, t) => s + t.weaker.marginDb, 0) / there.length,
    relayedShare: pairs > 0 ? relayed / pairs : 0,
  }
}
