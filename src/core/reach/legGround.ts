import { linkKey } from './linkKey'
import { wayKey, type AskedPlace } from './map/jointDraws'
import { oneWays } from './map/oneWays'
import { inverse, type Place } from '@/core/geo'
import type { Direction, Link } from '@/core/kit/rig/rig'
import { linkDoubtDb } from '@/core/kit/rig/taken'
import type { TrialPlan, Mark } from '@/core/trial/plan'
import { groundProfile, pathClearance, terrainHeight, type Cover, type Terrain } from '@/core/terrain'
import { isPredicted } from './isPredicted'
import { weakerOf, type ExpectedLevel, type LegGround, type MarkGround, type PlanGround } from './planGround'
import { pathOver, predict, USUAL_PREDICTION, type PredictionSettings } from './predict'

/** Places along a leg that the ground is known all the way to, outwards, with what is predicted for them before any check. */
export interface LegStops {
  legId: string
  legName: string
  stops: AskedPlace[]
}

/** What the ground says of a plan, and what is predicted all along its legs. */
export interface StoppedGround extends PlanGround {
  stops: LegStops[]
}

/**
 * What a sight line is looked at with: the highest base antenna and the lowest out there, at the first link's
 * frequency.
 */
export function sightEnds(links: readonly Link[]): { baseM: number; farM: number; frequencyMHz: number } {
  return {
    baseM: Math.max(2, ...links.map((l) => l.base.antennaHeightM)),
    farM: links.length > 0 ? Math.min(...links.map((l) => l.out.antennaHeightM)) : 1.5,
    frequencyMHz: links[0]?.out.txMHz ?? 446,
  }
}

/** Places predicted between two marks. */
const BETWEEN = 3

const asPlace = (m: Mark): Place | null =>
  m.lat !== null && m.lon !== null ? { lat: m.lat, lon: m.lon } : null

/** Chance over a path in the weaker of a trial's directions. */
export function chanceOver(
  link: Link,
  directions: readonly Direction[],
  path: Parameters<typeof predict>[2],
  settings: PredictionSettings,
): number {
  return weakerOf(directions, (d) => predict(link, d, path, settings).chance)
}

/**
 * The ground along each leg of a plan: its shape, how each mark is seen from the base, and the chance of copy
 * to expect.
 * @returns null where the base has no coordinates or stands outside all that is known
 */
export function planGround(
  terrain: Terrain,
  plan: TrialPlan,
  settings: PredictionSettings = USUAL_PREDICTION,
  cover: Cover | null = null,
): StoppedGround | null {
  const { base, links } = plan
  if (!base || base.lat === null || base.lon === null) return null
  const from = { lat: base.lat, lon: base.lon }
  const baseGround = terrainHeight(terrain, from.lat, from.lon)
  if (Number.isNaN(baseGround)) return null
  const { baseM: baseAntennaM, farM, frequencyMHz } = sightEnds(links)
  const legIds = [...new Set(plan.marks.map((m) => m.legId))]
  const expected: ExpectedLevel[] = []
  const ways = oneWays(plan.directions)
  const doubts = new Map(links.map((l) => [l, linkDoubtDb(l, settings.gains)]))
  const stopped: LegStops[] = []
  const legs = legIds.map((legId): LegGround => {
    const marks = plan.marks.filter((m) => m.legId === legId)
    const places = placesBetween(from, marks)
    const known = places.map((p) => ({ ...p, heightM: terrainHeight(terrain, p.place.lat, p.place.lon) }))
    const firstUnknown = known.find((p) => Number.isNaN(p.heightM))
    const within = firstUnknown ? known.slice(0, known.indexOf(firstUnknown)) : known
    const paths = within.map((p) => ({
      ...p,
      profile: groundProfile(terrain, from, p.place, undefined, cover),
    }))
    const whole = paths.filter((p) => p.profile.knownKm >= p.profile.lengthKm)
    const chances = new Map(
      links.filter(isPredicted).map((l) => [l, [] as { distanceM: number; chance: number }[]]),
    )
    const stops = whole.map(({ markId, place, distanceM, profile }): AskedPlace => {
      const predictedDb: Record<string, number> = {}
      for (const [link, along] of chances) {
        const of = new Map(ways.map((d) => [d, predict(link, d, pathOver(profile), settings)]))
        for (const [direction, { levelDbm, marginDb, correctedDb, chance }] of of) {
          predictedDb[wayKey(link, direction)] = marginDb - correctedDb
          if (markId === null || !plan.directions.includes(direction)) continue
          const at = { markId, key: linkKey(link), direction }
          expected.push({ ...at, levelDbm, marginDb, chance, doubtDb: doubts.get(link)! })
        }
        along.push({ distanceM, chance: weakerOf(plan.directions, (d) => of.get(d)!.chance) })
      }
      return { place, distanceM, predictedDb }
    })
    const { legName } = marks[0]!
    stopped.push({ legId, legName, stops })
    return {
      legId,
      legName,
      ground: [
        { distanceM: 0, heightM: baseGround },
        ...within.map(({ distanceM, heightM }) => ({ distanceM, heightM })),
      ],
      marks: marks.map((m) => markGround(terrain, from, m, baseAntennaM, farM, frequencyMHz)),
      chances: Object.fromEntries([...chances].map(([link, along]) => [linkKey(link), along])),
      knownToM: firstUnknown ? (within[within.length - 1]?.distanceM ?? 0) : null,
    }
  })
  const { checks, marks } = settings.correction ?? { checks: 0, marks: 0 }
  const correctedBy = checks > 0 ? { checks, marks } : null
  return { baseGroundM: baseGround, baseAntennaM, legs, expected, correctedBy, stops: stopped }
}

/** The marks of a leg and places between them, in order from the base; distances are crow-flies. */
function placesBetween(
  from: Place,
  marks: readonly Mark[],
): { place: Place; distanceM: number; markId: string | null }[] {
  const found: { place: Place; distanceM: number; markId: string | null }[] = []
  let last = from
  for (const mark of marks) {
    const place = asPlace(mark)
    if (!place) continue
    for (let i = 1; i <= BETWEEN; i++) {
      const t = i / (BETWEEN + 1)
      const between = {
        lat: last.lat + t * (place.lat - last.lat),
        lon: last.lon + t * (place.lon - last.lon),
      }
      found.push({ place: between, distanceM: inverse(from, between).distanceM, markId: null })
    }
    found.push({ place, distanceM: mark.distanceM, markId: mark.id })
    last = place
  }
  return found.filter((s) => s.distanceM > 1).sort((a, b) => a.distanceM - b.distanceM)
}

function markGround(
  terrain: Terrain,
  from: Place,
  mark: Mark,
  nearM: number,
  farM: number,
  frequencyMHz: number,
): MarkGround {
  const none: MarkGround = {
    markId: mark.id,
    distanceM: mark.distanceM,
    groundM: null,
    kind: null,
    overM: 0,
    atKm: 0,
  }
  const place = asPlace(mark)
  if (!place) return none
  const groundM = terrainHeight(terrain, place.lat, place.lon)
  if (Number.isNaN(groundM)) return none
  const profile = groundProfile(terrain, from, place)
  if (profile.knownKm < profile.lengthKm) return { ...none, groundM }
  return { ...none, groundM, ...pathClearance(profile, nearM, farM, frequencyMHz) }
}
