import type { Link } from '@/core/kit/rig/rig'
import { sightEnds } from './legGround'
import { pathOver, predictBoth, type Prediction, type PredictionSettings } from './predict'
import { pathClearance, type Clearance, type GroundProfile } from '@/core/terrain'
import type { Mark } from '@/core/trial/plan'

/** A mark with what the ground and each link have to say there. */
export interface MarkPrediction {
  mark: Mark
  /** Over the sea, m; null where it is not known. */
  groundM: number | null
  kind: Clearance | null
  /** The weaker direction, by link id; absent where the ground is not known all the way. */
  weaker: Record<string, Prediction>
}

/** What to expect at each mark. */
export function marksOnGround(
  marks: readonly Mark[],
  profiles: ReadonlyMap<string, GroundProfile>,
  links: readonly Link[],
  settings: PredictionSettings,
): MarkPrediction[] {
  const { baseM, farM, frequencyMHz } = sightEnds(links)
  return marks.map((mark) => {
    const profile = profiles.get(mark.id)
    if (!profile) return { mark, groundM: null, kind: null, weaker: {} }
    const last = profile.heightsM[profile.heightsM.length - 1]!
    const groundM = Number.isNaN(last) ? null : last
    if (profile.knownKm < profile.lengthKm) return { mark, groundM, kind: null, weaker: {} }
    const path = pathOver(profile)
    return {
      mark,
      groundM,
      kind: pathClearance(profile, baseM, farM, frequencyMHz, settings.k).kind,
      weaker: Object.fromEntries(links.map((l) => [l.id, predictBoth(l, path, settings).weaker])),
    }
  })
}

/** Whether the edge of a link is expected inside a leg. */
export interface EdgePrediction {
  linkId: string
  comes: boolean
  /** Where the chance first stays below one half, m; null where it does not. */
  edgeM: number | null
  /** Even at the nearest mark it is likelier lost than heard: the edge lies nearer, nobody knows where. */
  nearer: boolean
  /** Attenuation that would bring it to three quarters of the leg, dB; null where it comes by itself. */
  attenuationDb: number | null
  /** Marks before the edge, or the last mark, where it is likelier lost than heard. */
  gaps: Mark[]
}

/** For one leg and each link: does the edge come, and what would bring it. */
export function edgesOf(predictions: readonly MarkPrediction[], links: readonly Link[]): EdgePrediction[] {
  const sorted = [...predictions].sort((a, b) => a.mark.distanceM - b.mark.distanceM)
  return links.flatMap((link): EdgePrediction[] => {
    const seen = sorted.filter((o) => o.weaker[link.id])
    if (seen.length === 0) return []
    const chance = (o: MarkPrediction) => o.weaker[link.id]!.chance
    const last = seen.length - 1
    let from = seen.length
    while (from > 0 && chance(seen[from - 1]!) < 0.5) from--
    const gaps = seen.slice(0, from).flatMap((o) => (chance(o) < 0.5 ? [o.mark] : []))
    if (from <= last)
      return [
        {
          ...{ linkId: link.id, comes: true, edgeM: seen[from]!.mark.distanceM, nearer: from === 0 },
          attenuationDb: null,
          gaps,
        },
      ]
    const wanted = seen[Math.floor(0.75 * last)]!
    return [
      {
        linkId: link.id,
        comes: false,
        edgeM: null,
        nearer: false,
        attenuationDb: Math.max(1, wanted.weaker[link.id]!.marginDb),
        gaps,
      },
    ]
  })
}
