import type { Direction } from '@/core/kit/rig/rig'
import type { Clearance } from '@/core/terrain'

/** A mark on its ground. */
export interface MarkGround {
  markId: string
  /** Crow-flies from the base, m. */
  distanceM: number
  /** Over the sea, m; null where the ground is not known. */
  groundM: number | null
  /** How the sight line from the base clears the ground; null where it is not known all the way. */
  kind: Clearance | null
  /** By how much the ground stands over the sight line where it rules, m, and where, km from the base. */
  overM: number
  atKm: number
}

/** One leg on its ground. */
export interface LegGround {
  legId: string
  legName: string
  /** The ground under the leg by crow-flies distance from the base; only as far as it is known. */
  ground: { distanceM: number; heightM: number }[]
  marks: MarkGround[]
  /** Expected chance of copy by distance, by {@link linkKey}; the worse of the trial's directions. */
  chances: Record<string, { distanceM: number; chance: number }[]>
  /** How far from the base the ground is known along it, m; null where to its end. */
  knownToM: number | null
}

/** What a link is expected to bring to the far end of a direction at a mark. */
export interface ExpectedLevel {
  markId: string
  /** By {@link linkKey}. */
  key: string
  direction: Direction
  /** At the receiver by the prediction alone, dBm. */
  levelDbm: number
  /** Over what is needed, with what the log taught if it did, dB. */
  marginDb: number
  chance: number
  /** What is not known of the link's rigs, dB; none where left out. */
  doubtDb?: number
}

/** Finds what is expected of a link, by its key, in a direction at a mark. */
export function expectedAt(
  expected: readonly ExpectedLevel[],
): (markId: string, key: string, direction: Direction) => ExpectedLevel | undefined {
  const by = new Map(expected.map((e) => [`${e.markId} ${e.key} ${e.direction}`, e]))
  return (markId, key, direction) => by.get(`${markId} ${key} ${direction}`)
}

/** What the ground says of a plan. */
export interface PlanGround {
  baseGroundM: number | null
  /** Of the highest base antenna, over the ground, m. */
  baseAntennaM: number
  legs: LegGround[]
  /** At marks whose ground is known all the way; not for loops. */
  expected: ExpectedLevel[]
  /** What the prediction was corrected by; null before any check. */
  correctedBy: { checks: number; marks: number } | null
}

/** The least chance of the directions of a trial, given that of one way; a loop needs both. */
export const weakerOf = (
  directions: readonly Direction[],
  one: (d: 'to base' | 'from base') => number,
): number => Math.min(...directions.map((d) => (d === 'loop' ? one('to base') * one('from base') : one(d))))

/** Chance by distance over several legs together: the mean of those that reach so far. */
export function meanChances(
  legs: readonly LegGround[],
  key: string,
  distancesM: readonly number[],
): { distanceM: number; chance: number }[] {
  const curves = legs.map((l) => l.chances[key] ?? []).filter((c) => c.length > 1)
  return distancesM.flatMap((distanceM) => {
    const values = curves.flatMap((c) => {
      if (distanceM > c[c.length - 1]!.distanceM) return []
      const i = c.findIndex((p) => p.distanceM >= distanceM)
      if (i <= 0) return [c[0]!.chance]
      const [p, q] = [c[i - 1]!, c[i]!]
      const t = (distanceM - p.distanceM) / (q.distanceM - p.distanceM || 1)
      return [p.chance + t * (q.chance - p.chance)]
    })
    return values.length > 0 ? [{ distanceM, chance: values.reduce((s, v) => s + v, 0) / values.length }] : []
  })
}
