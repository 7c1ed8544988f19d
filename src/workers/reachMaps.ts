import type { Place } from '@/core/geo'
import { Kept } from '@/core/kept'
import type { Direction, Link } from '@/core/kit'
import type { ValueGrid } from '@/core/formats/writeRaster'
import { chanceOver, pathOver, type PredictionSettings } from '@/core/reach'
import { correctedBy, sharedShadow } from '@/core/reach/correction/correction'
import { ReachMapMaker } from '@/core/reach/map/chanceField'
import { FINEST, fieldPlace, fieldSide, rasterAbout, rasterGround } from '@/core/reach/map/mapRaster'
import { reachMap, type ReachMap, type ReachMapAsk } from '@/core/reach/map/reachMap'
import { groundProfile, type CoveredGround } from '@/core/terrain'

/** The base that a map is about. */
export interface MapBase {
  place: Place
  /** Its id where it is another than the log was made with. */
  from?: string
}

/** A place on the map, and what is to be expected there of each link. */
export interface PlaceReach {
  lengthKm: number
  /** Null where the ground is not known all the way. */
  chances: number[] | null
  how: ReturnType<typeof correctedBy>['how'] | null
}

/** The trial's own base, and as many sites as are tried. */
const MOST_BASES = 9

/** Maps of reach over the ground that is loaded; the newest one's ground and losses are kept. */
export class ReachMaps {
  private readonly kept = new Kept<ReachMapMaker>(MOST_BASES)

  forget(): void {
    this.kept.clear()
  }

  maker({ terrain, cover }: CoveredGround, { place, from }: MapBase, radiusM: number): ReachMapMaker {
    const key = JSON.stringify([place, from, radiusM])
    return this.kept.get(
      key,
      () => new ReachMapMaker(rasterGround(terrain, cover, rasterAbout(terrain, place, radiusM)), from),
    )
  }

  /** The chance of copy as a grid, as fine as the map gets. */
  grid(
    maker: ReachMapMaker,
    link: Link,
    directions: readonly Direction[],
    settings: PredictionSettings,
  ): ValueGrid {
    const { raster, every, values } = maker.chance(link, directions, settings, FINEST)
    const side = fieldSide(raster, every)
    const { lat: north, lon: west } = fieldPlace({ raster, every }, 0)
    const { stepLat, stepLon } = raster
    return {
      width: side,
      height: side,
      west,
      north,
      stepLon: stepLon * every,
      stepLat: stepLat * every,
      values,
    }
  }

  map(loaded: CoveredGround, base: MapBase, radiusM: number, ask: ReachMapAsk): ReachMap {
    return reachMap(this.maker(loaded, base, radiusM), ask)
  }
}

/** What is to be expected at one place, over its own path. */
export function reachAt(
  { terrain, cover }: CoveredGround,
  { place: base, from }: MapBase,
  place: Place,
  links: readonly Link[],
  directions: readonly Direction[],
  settings: PredictionSettings,
): PlaceReach {
  const profile = groundProfile(terrain, base, place, undefined, cover)
  const { lengthKm, knownKm } = profile
  if (knownKm < lengthKm || lengthKm <= 0) return { lengthKm, chances: null, how: null }
  const { correction } = settings
  const fromOther = from !== undefined
  return {
    lengthKm,
    chances: links.map((l) => chanceOver(l, directions, { ...pathOver(profile), fromOther }, settings)),
    how: correction
      ? correctedBy(correction, '', 'to base', place, lengthKm * 1000, { share: sharedShadow(fromOther) }).how
      : null,
  }
}

/** A chance in a colour of its own strength, as a picture; clear where nothing comes through or nobody knows. */
export async function pictureOf(
  { width, height, values }: ValueGrid,
  ink: [number, number, number],
): Promise<Uint8Array> {
  const canvas = new OffscreenCanvas(width, height)
  const image = new ImageData(width, height)
  for (let i = 0; i < values.length; i++) image.data.set([...ink, Math.round(200 * (values[i]! || 0))], 4 * i)
  canvas.getContext('2d')!.putImageData(image, 0, 0)
  const blob = await canvas.convertToBlob({ type: 'image/png' })
  return new Uint8Array(await blob.arrayBuffer())
}
