import { direct, inverse, placesAlong, alongNearest, ringCrossings, type Place } from '@/core/geo'
import type { Gpx } from '@/core/formats'

export interface DraftLeg {
  name: string
  how: 'bearing' | 'track' | 'marks'
  bearingDeg: number | null
  track: (Place & { elevationM?: number | null })[]
  marks: { name: string; place: Place; alongM: number | null }[]
}

const letters = (name: string) => (name.match(/[A-Za-z]/)?.[0] ?? 'M').toUpperCase()
const numbered = (name: string, i: number) => `${letters(name)}${String(i + 1).padStart(2, '0')}`

/** A leg by bearing: marks at even distances, m. */
export function bearingLeg(
  base: Place,
  name: string,
  bearingDeg: number,
  spacingM: number,
  count: number,
): DraftLeg {
  const marks = Array.from({ length: count }, (_, i) => ({
    name: numbered(name, i),
    place: direct(base, bearingDeg, (i + 1) * spacingM),
    alongM: (i + 1) * spacingM,
  }))
  return { name, how: 'bearing', bearingDeg, track: [placeOf(base), ...marks.map((m) => m.place)], marks }
}

export type MarksFrom =
  | { kind: 'spacing'; spacingM: number }
  /** By crow-flies distance: each ring where it is first met, or every crossing. */
  | { kind: 'crow'; spacingM: number }
  | { kind: 'rings'; spacingM: number }
  | { kind: 'waypoints' }

/** Waypoints no farther than this from a way belong to it, m. */
const NEAR_M = 250

/** A leg from a way of a GPX file, its marks every so often along it or at its waypoints. */
export function trackLeg(base: Place, gpx: Gpx, trackIndex: number, name: string, from: MarksFrom): DraftLeg {
  const track = gpx.tracks[trackIndex]!
  if (from.kind === 'spacing')
    return {
      name,
      how: 'track',
      bearingDeg: null,
      track: track.points.map(pointOf),
      marks: placesAlong(track.points, from.spacingM)
        .filter(({ place }) => inverse(base, place).distanceM >= 5)
        .map(({ place, alongM }, i) => ({ name: numbered(name, i), place: placeOf(place), alongM })),
    }
  if (from.kind === 'crow' || from.kind === 'rings')
    return {
      name,
      how: 'track',
      bearingDeg: null,
      track: track.points.map(pointOf),
      marks: ringCrossings(track.points, base, from.spacingM, from.kind === 'crow').map(
        ({ place, alongM }, i) => ({
          name: numbered(name, i),
          place: placeOf(place),
          alongM,
        }),
      ),
    }
  const thin = track.points.filter((_, i) => i % Math.ceil(track.points.length / 400) === 0)
  const marks = gpx.waypoints
    .filter((w) => inverse(base, w).distanceM >= 5)
    .filter((w) => Math.min(...thin.map((p) => inverse(p, w).distanceM)) <= NEAR_M)
    .map((w, i) => ({
      name: w.name || numbered(name, i),
      place: placeOf(w),
      alongM: alongNearest(track.points, w),
    }))
    .sort((a, b) => a.alongM - b.alongM)
  return { name, how: 'track', bearingDeg: null, track: track.points.map(pointOf), marks }
}

/** A leg of waypoints alone, in order of distance. */
export function waypointLeg(base: Place, gpx: Gpx, name: string): DraftLeg {
  const marks = gpx.waypoints
    .filter((w) => inverse(base, w).distanceM >= 5)
    .map((w, i) => ({ name: w.name || numbered(name, i), place: placeOf(w), alongM: null }))
    .sort((a, b) => inverse(base, a.place).distanceM - inverse(base, b.place).distanceM)
  return { name, how: 'marks', bearingDeg: null, track: [placeOf(base), ...marks.map((m) => m.place)], marks }
}

/** A place alone: a base has a name besides, a waypoint a time, and neither is stored with a leg. */
const placeOf = ({ lat, lon }: Place): Place => ({ lat, lon })

/** A point of a track: its place, and its height where it has one. */
const pointOf = ({ lat, lon, elevationM }: Place & { elevationM?: number | null }) => ({
  lat,
  lon,
  ...(elevationM == null ? {} : { elevationM }),
})
