import { AVERAGE_GROUND, type GroundKind } from './effectiveHeight'
import { EARTH_RADIUS_KM } from './horizon'

/** Virtual height of the F layer unless told otherwise, km. */
export const USUAL_LAYER_KM = 300

/**
 * Elevation at which a single hop by way of the F layer leaves, degrees: atan((cos θ - R/(R + h'))/sin θ), θ
 * = d/(2R). Holds if the layer returns it.
 * @param distanceKm over the ground, above 0
 * @param layerKm virtual height h'
 * @returns null where it would leave below the horizon (beyond some 3,800 km for 300 km)
 */
export function hopElevationDeg(distanceKm: number, layerKm = USUAL_LAYER_KM): number | null {
  const theta = distanceKm / (2 * EARTH_RADIUS_KM)
  const up = Math.cos(theta) - EARTH_RADIUS_KM / (EARTH_RADIUS_KM + layerKm)
  return up > 0 ? (180 / Math.PI) * Math.atan(up / Math.sin(theta)) : null
}

/** An antenna as its take-off counts it. */
export interface SkyAntenna {
  kind: 'horizontal dipole' | 'quarter-wave vertical'
  /** Of the wire over the ground, m; means nothing for a vertical. */
  heightM: number
  /** What it loses in the ground itself, dB. */
  groundLossDb: number
}

type Complex = readonly [number, number]
const add = (a: Complex, b: Complex): Complex => [a[0] + b[0], a[1] + b[1]]
const times = (a: Complex, b: Complex): Complex => [a[0] * b[0] - a[1] * b[1], a[0] * b[1] + a[1] * b[0]]
const over = (a: Complex, b: Complex): Complex => {
  const d = b[0] * b[0] + b[1] * b[1]
  return [(a[0] * b[0] + a[1] * b[1]) / d, (a[1] * b[0] - a[0] * b[1]) / d]
}
const root = ([re, im]: Complex): Complex => {
  const size = Math.hypot(re, im)
  return [Math.sqrt((size + re) / 2), (im < 0 ? -1 : 1) * Math.sqrt((size - re) / 2)]
}

/**
 * Plane-wave reflection of the ground at an elevation, Fresnel, for waves whose field lies across
 * (horizontal) or up (vertical).
 */
export function groundReflection(
  elevationDeg: number,
  frequencyMHz: number,
  polarisation: 'horizontal' | 'vertical',
  ground: GroundKind = AVERAGE_GROUND,
): Complex {
  const psi = (elevationDeg * Math.PI) / 180
  const epsilon: Complex = [ground.epsilonR, (-18000 * ground.sigmaSm) / frequencyMHz]
  const inside = root([epsilon[0] - Math.cos(psi) ** 2, epsilon[1]])
  const s: Complex = [Math.sin(psi), 0]
  const first = polarisation === 'horizontal' ? s : times(epsilon, s)
  return over(add(first, [-inside[0], -inside[1]]), add(first, inside))
}

/** Gain of a half-wave dipole in free space, and of a quarter-wave vertical over a perfect ground, dBi. */
const [DIPOLE_DBI, MONOPOLE_DBI] = [2.15, 5.15]

/**
 * Gain at an elevation over real ground, dBi: the free-space pattern times the ground's plane-wave
 * reflection, less what is lost in the ground itself. A dipole counts across its wire. A prediction to hold
 * against the log, no claim about the ionosphere.
 * @param elevationDeg above 0 to 90
 */
export function takeOffGainDbi(
  antenna: SkyAntenna,
  elevationDeg: number,
  frequencyMHz: number,
  ground: GroundKind = AVERAGE_GROUND,
): number {
  const s = Math.sin((elevationDeg * Math.PI) / 180)
  if (antenna.kind === 'horizontal dipole') {
    const turn = (4 * Math.PI * antenna.heightM * s * frequencyMHz) / 299.792458
    const reflected = times(groundReflection(elevationDeg, frequencyMHz, 'horizontal', ground), [
      Math.cos(turn),
      -Math.sin(turn),
    ])
    return (
      DIPOLE_DBI + 20 * Math.log10(Math.hypot(1 + reflected[0], reflected[1]) + 1e-9) - antenna.groundLossDb
    )
  }
  // A current of cos kz over a quarter wave sums to (e^(jsπ/2) - js)/(1 - s²) upwards and to its conjugate by
  // way of the ground.
  const c2 = Math.max(1 - s * s, 1e-9)
  const up: Complex = [Math.cos((s * Math.PI) / 2) / c2, (Math.sin((s * Math.PI) / 2) - s) / c2]
  const down = times(groundReflection(elevationDeg, frequencyMHz, 'vertical', ground), [up[0], -up[1]])
  const field = (Math.sqrt(c2) * Math.hypot(up[0] + down[0], up[1] + down[1])) / 2
  return MONOPOLE_DBI + 20 * Math.log10(field + 1e-9) - antenna.groundLossDb
}

/** Difference of two antennas by distance over one hop, A - B dB; null where no hop goes so far. */
export function takeOffDifferenceDb(
  a: SkyAntenna,
  b: SkyAntenna,
  distanceKm: number,
  frequencyMHz: number,
  layerKm = USUAL_LAYER_KM,
  ground: GroundKind = AVERAGE_GROUND,
): number | null {
  const elevation = hopElevationDeg(distanceKm, layerKm)
  if (elevation === null) return null
  return (
    takeOffGainDbi(a, elevation, frequencyMHz, ground) - takeOffGainDbi(b, elevation, frequencyMHz, ground)
  )
}

/** Distances at which the difference of two antennas goes through nought, km. */
export function takeOffCrossingsKm(
  a: SkyAntenna,
  b: SkyAntenna,
  frequencyMHz: number,
  layerKm = USUAL_LAYER_KM,
  ground: GroundKind = AVERAGE_GROUND,
): number[] {
  const found: number[] = []
  let before: { km: number; db: number } | null = null
  for (let km = 30; km < 4000; km *= 1.02) {
    const db = takeOffDifferenceDb(a, b, km, frequencyMHz, layerKm, ground)
    if (db === null) break
    if (before && Math.sign(before.db) !== Math.sign(db))
      found.push(before.km + ((km - before.km) * before.db) / (before.db - db))
    before = { km, db }
  }
  return found
}
