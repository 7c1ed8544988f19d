import geomagnetism from 'geomagnetism'
import SunCalc from 'suncalc'
import { inverse, turnDeg, type Place } from '@/core/geo'
import { bulgeM } from '@/core/propagation/horizon'

/** How far a compass points from true north, and by which year of the model. */
export interface Declination {
  /** Degrees, positive to the east: true = compass + declination. */
  deg: number
  /** "WMM2025". */
  model: string
  year: number
}

/**
 * Magnetic declination by the World Magnetic Model (package geomagnetism, degree 12). Iron and lines nearby
 * are not in it.
 * @param place on the ground @param time the day counts
 */
export function declinationAt(place: Place, time: Date): Declination {
  const used = geomagnetism.model(time, { allowOutOfBoundsModel: true })
  return {
    deg: used.point([place.lat, place.lon]).decl,
    model: used.name.replace('-', ''),
    year: time.getUTCFullYear(),
  }
}

/** A compass bearing as a true one, 0 to below 360. */
export const trueOf = (compassDeg: number, declinationDeg: number) => turnDeg(compassDeg + declinationDeg)
/** A true bearing as the compass shows it, 0 to below 360. */
export const compassOf = (trueDeg: number, declinationDeg: number) => turnDeg(trueDeg - declinationDeg)

/** How to aim an antenna at a mast. */
export interface Aim {
  /** True, degrees. */
  bearingDeg: number
  distanceM: number
  /** Above the horizontal, degrees; below it negative. By heights and the curve of a 4/3 earth. */
  tiltDeg: number
}

/** @param fromM, toM heights of the antennas above sea level, m */
export function aimAt(from: Place, fromM: number, to: Place, toM: number): Aim {
  const { bearingDeg, distanceM } = inverse(from, to)
  const km = distanceM / 1000
  const drop = bulgeM(km, km)
  return { bearingDeg, distanceM, tiltDeg: (Math.atan2(toM - fromM - drop, distanceM) * 180) / Math.PI }
}

/** Where the sun stands: a compass that no iron disturbs. */
export interface Sun {
  /** True, degrees. */
  azimuthDeg: number
  /** Above the horizon, degrees; below it negative. */
  altitudeDeg: number
}

/** The sun's place (package suncalc, good to some hundredths of a degree). */
export function sunAt(place: Place, time: Date): Sun {
  const { azimuth, altitude } = SunCalc.getPosition(time, place.lat, place.lon)
  // The package counts from south, clockwise.
  return { azimuthDeg: turnDeg((azimuth * 180) / Math.PI + 180), altitudeDeg: (altitude * 180) / Math.PI }
}
