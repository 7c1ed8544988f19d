import { inverse, type Place } from '@/core/geo'
import type { Direction, Link } from '@/core/kit/rig/rig'
import { placesInArea, type Rings } from '@/core/terrain'
import { apartM } from '../correction/correction'
import type { PredictionSettings } from '../predict'
import { HOW, type ReachMapMaker } from './chanceField'
import { oneWays } from './oneWays'
import { coverField, SIDES, sidesField, undecidedField, where, type Side } from './coverField'
import { holesIn, type Hole } from './holes'
import {
  coverChance,
  coverDraws,
  drawnShares,
  shareOf,
  wayKey,
  type AskedPlace,
  type CoverDraws,
  type Share,
} from './jointDraws'
import {
  cellPlace,
  countsAt,
  fieldSide,
  landAlone,
  nearestTo,
  type Field,
  type RasterGround,
} from './mapRaster'
import { ringsWithin } from './mapRings'

/** Ground that is to be covered, and ways that are. */
export interface MapArea {
  id: string
  rings: Rings
}
export interface MapRoute {
  id: string
  track: readonly Place[]
}

export interface ReachMapAsk {
  /** One or two, as they are set on the map: with other heights or powers than in the kit where so chosen. */
  links: readonly Link[]
  directions: readonly Direction[]
  settings: PredictionSettings
  /** 0 to 1. */
  reliability: number
  /** Every so many-th cell. */
  every: number
  areas: readonly MapArea[]
  routes: readonly MapRoute[]
}

/** A stretch of a route, by distance along it, m. */
export interface Stretch {
  fromM: number
  toM: number
  /** How surely it is covered. */
  state: 'covered' | 'in doubt' | 'not covered' | 'not known'
}

/** What a layer of the map shows. */
export type MapLayer =
  | { kind: 'chance'; level: number; rings: Rings[] }
  /** From two of several bases or more. */
  | { kind: 'twice'; level: number; rings: Rings[] }
  | { kind: 'side'; side: Side; rings: Rings[] }
  | { kind: 'undecided'; rings: Rings[] }
  | { kind: 'guess'; rings: Rings[] }

/** What is covered of something by each link, and by one of two alone. */
export interface Covered {
  links: Share[]
  /** By the first alone, by the second alone, by both; null for one link. */
  alone: { first: Share; second: Share; both: Share } | null
}

export interface ReachMap {
  every: number
  layers: MapLayer[]
  /** Of the ground that is known on the map, km², and whether that is its land alone. */
  knownKm2: number
  land: boolean
  whole: Covered
  areas: (Covered & { id: string; holes: Hole[][] })[]
  routes: { id: string; lengthM: number; share: Share[]; stretches: Stretch[][] }[]
}

/**
 * Places that stand for the whole map, each way across it, and for an area; and along a route, m apart at the
 * least.
 */
const [ACROSS, IN_AREA, ALONG_M, ALONG_MOST] = [22, 160, 60, 160]
/** Chances between which it is in doubt whether a place is covered. */
const [DOUBT_LOW, DOUBT_HIGH] = [0.1, 0.9]
/** Pieces of fewer cells are not drawn. */
export const SPECK = 3

/** Places that stand for an area. */
export const placesOfArea = ({ rings }: Pick<MapArea, 'rings'>) => placesInArea(rings, IN_AREA)

/** Ground is known all the way to it. */
const isKnown = ({ predictedDb }: AskedPlace) => Object.values(predictedDb).every(Number.isFinite)

/** Those of places that the ground is known all the way to, by their index. */
export const knownOf = (places: readonly AskedPlace[]) => places.flatMap((p, i) => (isKnown(p) ? [i] : []))

/** Which places the links of a map cover, in joint draws that are kept under a name. */
export function drawnCover(
  maker: ReachMapMaker,
  ask: ReachMapAsk,
  name: string,
  places: AskedPlace[],
): CoverDraws {
  const { links, directions, settings, reliability } = ask
  const { correction, gains } = settings
  const asked = { places, links, directions, correction, gains, reliability }
  return coverDraws(asked, maker.off(name, asked))
}

/** Everything that the map of one or two links shows and says. */
export function reachMap(maker: ReachMapMaker, ask: ReachMapAsk): ReachMap {
  const { links, directions, settings, reliability, every } = ask
  const covers = links.map((l) => coverField(maker, l, directions, settings, reliability, every))
  const placed = askedPlaces(maker, ask)
  const { stepM } = maker.ground.raster
  const cellKm2 = ((stepM * every) / 1000) ** 2
  const drawn = (id: string, places: AskedPlace[]) => drawnCover(maker, ask, id, places)
  const covered = (id: string, at: readonly Place[]): Covered => {
    const places = placed(at)
    const draws = drawn(id, places)
    const known = knownOf(places)
    const share = (holds: Parameters<typeof drawnShares>[2]) =>
      shareOf(drawnShares(draws, links.length, holds, known))
    return {
      links: links.map((_, l) => share((by) => by(l))),
      alone:
        links.length < 2
          ? null
          : {
              first: share((by) => by(0) && !by(1)),
              second: share((by) => by(1) && !by(0)),
              both: share((by) => by(0) && by(1)),
            },
    }
  }
  return {
    every,
    layers: layersOf(maker, ask, covers),
    knownKm2: covers[0]!.values.reduce(
      (n, v, i) => n + (!Number.isNaN(v) && counts(covers[0]!, i, maker.ground) ? cellKm2 : 0),
      0,
    ),
    land: landAlone(maker.ground),
    whole: covered('whole', wholeMap(maker)),
    areas: ask.areas.map(({ id, rings }) => ({
      id,
      ...covered(id, placesOfArea({ rings })),
      holes: covers.map((c) => holesIn(c, rings)),
    })),
    routes: ask.routes.map((r) => {
      const along = placesAlong(r.track)
      const places = placed(along.map((a) => a.place))
      const draws = drawn(r.id, places)
      return {
        id: r.id,
        lengthM: along.at(-1)?.atM ?? 0,
        share: links.map((_, l) => shareOf(drawnShares(draws, links.length, (by) => by(l)))),
        stretches: links.map((_, l) => stretchesOf(along, places, coverChance(draws, links.length, l))),
      }
    }),
  }
}

/** A cell in the circle that the map is about that counts there. */
function counts({ raster, every }: Field, i: number, ground: RasterGround): boolean {
  const { half } = raster
  const side = fieldSide(raster, every)
  const [south, east] = [Math.floor(i / side) * every - half, (i % side) * every - half]
  return south * south + east * east <= half * half && countsAt(ground, east, south)
}

/** Places spread evenly over the circle that a map is about, or over its land. */
export function wholeMap({ ground }: ReachMapMaker): Place[] {
  const { raster } = ground
  const step = (2 * raster.half) / ACROSS
  const places: Place[] = []
  for (let r = 0; r < ACROSS; r++)
    for (let c = 0; c < ACROSS; c++) {
      const [south, east] = [(r + 0.5) * step - raster.half, (c + 0.5) * step - raster.half]
      const inside = south * south + east * east <= raster.half ** 2
      if (inside && countsAt(ground, Math.round(east), Math.round(south)))
        places.push(cellPlace(raster, east, south))
    }
  return places
}

/** What is predicted for places, read from the map. */
export function askedPlaces(maker: ReachMapMaker, { links, directions, settings, every }: ReachMapAsk) {
  const { raster } = maker.ground
  const alone = { ...settings, correction: null }
  const from = maker.from === undefined ? {} : { from: maker.from }
  const margins = links.flatMap((l) =>
    oneWays(directions).map((d) => ({ key: wayKey(l, d), ...maker.margins(l, d, alone, every) })),
  )
  return (places: readonly Place[]): AskedPlace[] =>
    places.map((place) => {
      const cell = nearestTo({ raster, every }, place)
      return {
        ...from,
        place,
        distanceM: apartM(raster.base, place),
        predictedDb: Object.fromEntries(
          margins.map(({ key, marginDb }) => [key, cell < 0 ? NaN : marginDb[cell]!]),
        ),
      }
    })
}

function layersOf(maker: ReachMapMaker, ask: ReachMapAsk, covers: readonly Field[]): MapLayer[] {
  const { links, directions, settings, reliability, every } = ask
  const how = maker.how(settings, every)
  const guessed = (told: (i: number) => boolean): MapLayer[] =>
    how === null
      ? []
      : [
          {
            kind: 'guess',
            rings: ringsWithin(
              where(how, (v, i) => Math.round(v) === HOW.length - 1 && told(i)),
              0.5,
              SPECK,
            ),
          },
        ]
  if (links.length === 1) {
    const chance = maker.chance(links[0]!, directions, settings, every)
    const levels = [...new Set([0.5, reliability])].sort((a, b) => a - b)
    return [
      ...levels.map((level) => ({
        kind: 'chance' as const,
        level,
        rings: ringsWithin(chance, level, SPECK),
      })),
      ...guessed((i) => chance.values[i]! >= levels[0]!),
    ]
  }
  const sides = sidesField(covers[0]!, covers[1]!)
  const undecided: MapLayer = {
    kind: 'undecided',
    rings: ringsWithin(undecidedField(covers[0]!, covers[1]!), 0.5, SPECK),
  }
  const of = (side: Side): MapLayer => ({
    kind: 'side',
    side,
    rings: ringsWithin(
      where(sides, (v) => v === SIDES.indexOf(side)),
      0.5,
      SPECK,
    ),
  })
  return [
    ...(['both', 'first', 'second'] as const).map(of),
    undecided,
    ...guessed((i) => sides.values[i]! > 0),
  ]
}

interface Along {
  place: Place
  /** From the start of the route, m. */
  atM: number
}

/** Places along a track, evenly. */
export function placesAlong(track: readonly Place[]): Along[] {
  const legs = track.slice(1).map((to, i) => inverse(track[i]!, to).distanceM)
  const lengthM = legs.reduce((s, v) => s + v, 0)
  if (!(lengthM > 0)) return track.slice(0, 1).map((place) => ({ place, atM: 0 }))
  const n = Math.max(2, Math.min(ALONG_MOST, Math.ceil(lengthM / ALONG_M) + 1))
  let [leg, before] = [0, 0]
  return Array.from({ length: n }, (_, i) => {
    const atM = (lengthM * i) / (n - 1)
    while (leg < legs.length - 1 && before + legs[leg]! < atM) before += legs[leg++]!
    const share = legs[leg]! > 0 ? (atM - before) / legs[leg]! : 0
    const [a, b] = [track[leg]!, track[leg + 1]!]
    return { place: { lat: a.lat + (b.lat - a.lat) * share, lon: a.lon + (b.lon - a.lon) * share }, atM }
  })
}

function stretchesOf(
  along: readonly Along[],
  places: readonly AskedPlace[],
  chances: readonly number[],
): Stretch[] {
  const found: Stretch[] = []
  along.forEach(({ atM }, i) => {
    const chance = chances[i]!
    const state = !isKnown(places[i]!)
      ? 'not known'
      : chance >= DOUBT_HIGH
        ? 'covered'
        : chance <= DOUBT_LOW
          ? 'not covered'
          : 'in doubt'
    const fromM = i === 0 ? 0 : (along[i - 1]!.atM + atM) / 2
    const toM = i === along.length - 1 ? atM : (along[i + 1]!.atM + atM) / 2
    const last = found.at(-1)
    if (last?.state === state) last.toM = toM
    else found.push({ fromM, toM, state })
  })
  return withoutShort(found, (along.at(-1)?.atM ?? 0) * SHORT)
}

/** A stretch of less than this share of its way says nothing by itself. */
const SHORT = 0.02

/** Stretches so short that nobody could go by them are given to the one before. */
function withoutShort(stretches: readonly Stretch[], leastM: number): Stretch[] {
  const kept: Stretch[] = []
  for (const s of stretches) {
    const last = kept.at(-1)
    if (last && (last.state === s.state || s.toM - s.fromM < leastM)) last.toM = s.toM
    else kept.push({ ...s })
  }
  return kept
}
