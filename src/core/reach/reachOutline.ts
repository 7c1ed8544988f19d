import { direct, type Place } from '@/core/geo'
import type { Direction, Link } from '@/core/kit/rig/rig'
import { groundProfile, type CoveredGround, type GroundProfile } from '@/core/terrain'
import { chanceOver } from './legGround'
import { pathOver, type PredictionSettings } from './predict'

/** How far out one goes in a direction. */
export interface OutlinePoint extends Place {
  bearingDeg: number
  distanceM: number
  /** The ground or the search ended here before the chance fell: at least as far as this. */
  open: boolean
}

export interface OutlineSearch {
  bearings: number
  farthestM: number
  /** Places looked at along each bearing. */
  steps: number
  /** A dip in the chance no longer than this does not end the reach, m. */
  dipM: number
}

const USUAL_OUTLINE: OutlineSearch = { bearings: 72, farthestM: 20_000, steps: 100, dipM: 500 }

/** The first so many samples of a profile, as a profile of its own. */
function upTo(p: GroundProfile, n: number): GroundProfile {
  const lengthKm = p.distancesKm[n - 1]!
  return {
    distancesKm: p.distancesKm.subarray(0, n),
    heightsM: p.heightsM.subarray(0, n),
    lengthKm,
    bearingDeg: p.bearingDeg,
    knownKm: lengthKm,
    // The far end's own cover is not known along the way; the settings stand for it.
    cover: p.cover && {
      woodTopM: p.cover.woodTopM.subarray(0, n),
      builtTopM: p.cover.builtTopM.subarray(0, n),
      near: p.cover.near,
      far: null,
    },
  }
}

/**
 * How far out a link's copy is expected with the stated chance, bearing by bearing: to where the chance falls below it
 * and stays there for longer than a short dip; the worst of the trial's directions counts.
 * @param reliability 0 to 1
 */
export function reachOutline(
  ground: CoveredGround,
  from: Place,
  link: Link,
  directions: readonly Direction[],
  settings: PredictionSettings,
  reliability: number,
  search: OutlineSearch = USUAL_OUTLINE,
): OutlinePoint[] {
  return Array.from({ length: search.bearings }, (_, i): OutlinePoint => {
    const bearingDeg = (360 * i) / search.bearings
    const whole = groundProfile(
      ground.terrain,
      from,
      direct(from, bearingDeg, search.farthestM),
      undefined,
      ground.cover,
    )
    const known = whole.distancesKm.findIndex((km) => km > whole.knownKm)
    const samples = known < 0 ? whole.distancesKm.length : known
    const step = Math.max(1, Math.floor(whole.distancesKm.length / search.steps))
    let good = 0
    let open = true
    for (let n = Math.max(3, step); n <= samples; n += step) {
      const part = upTo(whole, n)
      const distanceM = part.lengthKm * 1000
      const path = settings.correction
        ? { ...pathOver(part), far: direct(from, bearingDeg, distanceM) }
        : pathOver(part)
      if (chanceOver(link, directions, path, settings) >= reliability) good = distanceM
      else if (distanceM - good > search.dipM) {
        open = false
        break
      }
    }
    return { ...direct(from, bearingDeg, good), bearingDeg, distanceM: good, open }
  })
}
