import { inverse, type Place } from '@/core/geo'
import { placesInArea } from '@/core/terrain'
import type { ReachMapMaker } from './chanceField'
import { nextBest, type CheckWorth } from './nextBest'
import { askedPlaces, placesAlong, wholeMap, type MapArea, type MapRoute, type ReachMapAsk } from './reachMap'

/** A place where a check could be made: a mark, or a place on a way out between them. */
export interface CheckPlace {
  /** A mark, a way out between marks, or ground to be covered, and its id. */
  on: 'mark' | 'route' | 'area'
  id: string
  place: Place
  /** From the base, m. */
  distanceM: number
}

/** A place nearer to a mark than this is that mark, m. */
const APART_M = 120
const MOST_BETWEEN = 40
const [KM_A_MINUTE, AT_MARK_MIN] = [4 / 60, 2]
const [TARGETS_IN_AREA, IN_AREA] = [120, 14]

/** What a check costs some way off, the walk there and the making of it, minutes. */
export const minutesFor = (awayM: number) => awayM / 1000 / KM_A_MINUTE + AT_MARK_MIN

/** Where checks could be made: at the marks, along the ways out between them, and in ground to be covered. */
export function checkPlaces(
  base: Place,
  marks: readonly (Place & { id: string })[],
  routes: readonly MapRoute[],
  areas: readonly MapArea[],
): CheckPlace[] {
  const at = (place: Place) => inverse(base, place).distanceM
  const onMarks = marks.map(({ id, lat, lon }) => ({
    on: 'mark' as const,
    id,
    place: { lat, lon },
    distanceM: at({ lat, lon }),
  }))
  const between = routes.flatMap((r) =>
    placesAlong(r.track).flatMap(({ place }) =>
      marks.some((m) => inverse(m, place).distanceM < APART_M)
        ? []
        : [{ on: 'route' as const, id: r.id, place, distanceM: at(place) }],
    ),
  )
  const every = Math.max(1, Math.ceil(between.length / MOST_BETWEEN))
  const inside = areas.flatMap(({ id, rings }) =>
    placesInArea(rings, IN_AREA).map((place) => ({ on: 'area' as const, id, place, distanceM: at(place) })),
  )
  return [...onMarks, ...between.filter((_, i) => i % every === 0), ...inside]
}

/** A check that tells most of what is asked of a map. */
export interface NextOnMap extends Omit<CheckWorth, 'candidate' | 'link'> {
  at: CheckPlace
  linkId: string
  minutes: number
}

/**
 * The check that narrows most, a minute of walking, of what the map is asked: the share of the areas that are to be
 * covered, or of the whole map where there are none; of two links, the difference.
 */
export function nextOnMap(
  maker: ReachMapMaker,
  ask: ReachMapAsk,
  places: readonly CheckPlace[],
  reportDb: number | null,
): NextOnMap[] {
  const placed = askedPlaces(maker, ask)
  const known = (p: { predictedDb: Record<string, number> }) =>
    Object.values(p.predictedDb).every(Number.isFinite)
  const wanted =
    ask.areas.length > 0 ? ask.areas.flatMap((a) => placesInArea(a.rings, TARGETS_IN_AREA)) : wholeMap(maker)
  const open = places.filter((_, i) => known(placed([places[i]!.place])[0]!))
  return nextBest({
    targets: placed(wanted).filter(known),
    candidates: placed(open.map((p) => p.place)).map((p, i) => ({
      ...p,
      minutes: minutesFor(open[i]!.distanceM),
    })),
    links: ask.links,
    directions: ask.directions,
    correction: ask.settings.correction,
    gains: ask.settings.gains,
    reliability: ask.reliability,
    reportDb,
  }).map(({ candidate, link, ...worth }) => ({
    ...worth,
    at: open[candidate]!,
    linkId: link.id,
    minutes: minutesFor(open[candidate]!.distanceM),
  }))
}
