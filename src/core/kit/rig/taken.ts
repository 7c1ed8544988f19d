import { turnDeg } from '@/core/geo/degrees'
import { antennaOwnLossDb, LINEAR_TO_CIRCULAR_DB, polarisationLossDb } from '@/core/rf'
import { AT_BODY, type MountPlace, type Polarisation } from '../parts/part'
import { figuresFor, type Link, type Rig } from './rig'

/** A figure that a prediction goes by, and how far it may be off. */
export interface Taken {
  db: number
  /** 0 where it was measured or set. */
  sdDb: number
  /** What it is taken from where nobody measured it; null where it is known. */
  from: string | null
}

/** What a user took an antenna's gain for, by rig. */
export type TakenGains = Readonly<Record<string, { dbi: number; sdDb: number }>>

type Range = readonly [low: number, high: number]

/** Nine in ten lie between the ends of a range. */
const NINE_IN_TEN = 2 * 1.645
const between = ([low, high]: Range, from: string): Taken => ({
  db: (low + high) / 2,
  sdDb: (high - low) / NINE_IN_TEN,
  from,
})

/** By frequency: below 100, 300 and 1000 MHz, and above. */
const BANDS_MHZ = [100, 300, 1000]
const byBand = (ranges: readonly Range[], frequencyMHz: number): Range =>
  ranges[BANDS_MHZ.filter((f) => frequencyMHz >= f).length]!

/** A short whip on a radio by itself, dBi; with the hand about it some 3 dB less, so that on VHF -15 to -5 is heard. */
const WHIP_ON_RADIO: readonly Range[] = [
  [-20, -8],
  [-12, -2],
  [-4, 2],
  [-2, 3],
]
/** About a quarter wave on a car: on the roof, and where the metal is only to one side, dBi. */
const ON_ROOF: readonly Range[] = [
  [-5, 1],
  [0, 2],
  [0, 2],
  [0, 3],
]
const ON_EDGE: readonly Range[] = [
  [-8, 0],
  [-3, 1],
  [-3, 1],
  [-3, 2],
]
/** From a dipole of wire to a collinear on a mast, dBi. */
const STANDING: Range = [-1, 6]
/** A car's antenna of which nobody says where it is, and somebody else's station, dBi. */
const ON_A_CAR: Range = [-2, 3]
const ANYBODYS: Range = [-6, 6]
/** A maker's claim is rarely too low: what is left of it, dB. */
const LESS_THAN_CLAIMED: Range = [-5, 1]

/** What a body or a car takes, dB. */
const BODY: Partial<Record<MountPlace, Range>> = {
  hand: [1, 5],
  chest: [2, 8],
  belt: [6, 14],
  pack: [1, 5],
  'inside a car': [4, 12],
}

const placeOf = (rig: Rig): MountPlace | null => rig.place ?? (rig.kind === 'handheld' ? 'hand' : null)

function usualGain(rig: Rig, frequencyMHz: number): Taken {
  const place = placeOf(rig)
  if (place !== null && (AT_BODY as readonly string[]).includes(place))
    return between(byBand(WHIP_ON_RADIO, frequencyMHz), 'a short whip on a radio')
  if (place === 'car roof') return between(byBand(ON_ROOF, frequencyMHz), 'a quarter wave on a roof')
  if (place === 'car edge') return between(byBand(ON_EDGE, frequencyMHz), 'a quarter wave at a car’s edge')
  if (place === null && rig.kind === 'mobile') return between(ON_A_CAR, 'an antenna on a car')
  if (rig.kind === 'other station') return between(ANYBODYS, 'somebody else’s station')
  return between(STANDING, 'a dipole to a collinear')
}

/** Gain that an antenna is taken to have: measured, else as was chosen, else by the maker's claim, else by its kind. */
export function gainTaken(rig: Rig, isSender: boolean, chosen: TakenGains = {}): Taken {
  const measured = figuresFor(rig, isSender).antennaGainDbi
  if (measured !== null) return { db: measured, sdDb: 0, from: null }
  const own = Object.hasOwn(chosen, rig.id) ? chosen[rig.id] : undefined
  if (own) return { db: own.dbi, sdDb: own.sdDb, from: 'what was set' }
  if (rig.claimedGainDbi !== undefined) {
    const less = between(LESS_THAN_CLAIMED, 'the maker’s claim, less 2 dB')
    return { ...less, db: rig.claimedGainDbi + less.db }
  }
  return usualGain(rig, isSender ? rig.txMHz : (rig.rxMHz ?? rig.txMHz))
}

/** What the body or the car about a rig takes, dB: as the mount says, else by where it is carried. */
export function bodyTaken(rig: Rig): Taken {
  if (rig.bodyLossDb !== undefined) return { db: rig.bodyLossDb, sdDb: 0, from: null }
  const place = placeOf(rig)
  const range = place === null ? undefined : BODY[place]
  return range ? between(range, `at the body: ${place}`) : { db: 0, sdDb: 0, from: null }
}

/** What weakens noise from outside on its way to a receiver's connector, as it weakens the signal, dB. */
export function lossBeforeReceiverDb(rig: Rig, chosen?: TakenGains): number {
  const { leadLossDb, attenuatorDb } = figuresFor(rig, false)
  return (
    antennaOwnLossDb(gainTaken(rig, false, chosen).db) + bodyTaken(rig).db + (leadLossDb ?? 0) + attenuatorDb
  )
}

/** Among houses, trees and hills reflections leave at most so much of a crossed polarisation, dB. */
const CROSS_POLAR_DB = 10
const LEANS: Record<Exclude<Polarisation, 'circular'>, number> = { vertical: 0, slant: 45, horizontal: 90 }

/** Whether an antenna is known to point, and where: such a one is tilted to look up or down; any other leans. */
export const pointsOneWay = (rig: Rig): rig is Rig & Required<Pick<Rig, 'pattern' | 'azimuthDeg'>> =>
  rig.pattern !== undefined && rig.pattern.length > 0 && rig.azimuthDeg !== undefined

/** How far a rod leans from how it should stand, degrees; nobody says to which side. */
const leanDeg = (rig: Rig) => (pointsOneWay(rig) ? 0 : (rig.tiltDeg ?? 0))

/**
 * What two polarisations lose between them, dB, with what rods that lean lose besides; alike where one is not said. In
 * all no more than crossed ones do.
 */
export function crossedDb(a: Rig, b: Rig): number {
  const [p, q] = [a.polarisation ?? b.polarisation, b.polarisation ?? a.polarisation]
  const crossPolarDb = Math.min(CROSS_POLAR_DB, a.crossPolarDb ?? Infinity, b.crossPolarDb ?? Infinity)
  const leaning = [a, b].reduce((s, rig) => s + polarisationLossDb(leanDeg(rig), crossPolarDb), 0)
  if (p === 'circular' || q === 'circular') return p === q ? 0 : LINEAR_TO_CIRCULAR_DB
  const apartDeg = p === undefined || q === undefined ? 0 : LEANS[p] - LEANS[q]
  return Math.min(crossPolarDb, polarisationLossDb(apartDeg, crossPolarDb) + leaning)
}

/** How far what is taken of both ends of a link may be off together, dB; the same for both directions. */
export function linkDoubtDb({ base, out }: Link, chosen?: TakenGains): number {
  const all = [base, out].flatMap((rig) => [gainTaken(rig, true, chosen), bodyTaken(rig)])
  return Math.hypot(...all.map((t) => t.sdDb))
}

/**
 * A pattern made ready for being read in many directions: dB over its strongest (0 or less), between its points
 * straight.
 * @returns by how far off from where it points, degrees, any
 */
export function patternOf(pattern: readonly { angleDeg: number; db: number }[]): (offDeg: number) => number {
  if (pattern.length === 0) return () => 0
  // One that was only measured on one side is the same on the other.
  const folded = pattern.every((p) => p.angleDeg >= 0 && p.angleDeg <= 180)
  const turn = (deg: number) => (folded ? Math.min(turnDeg(deg), 360 - turnDeg(deg)) : turnDeg(deg))
  const points = pattern.map((p) => ({ at: turn(p.angleDeg), db: p.db })).sort((a, b) => a.at - b.at)
  const top = Math.max(...points.map((p) => p.db))
  const [first, end] = [points[0]!, points.at(-1)!]
  return (offDeg) => {
    const at = turn(offDeg)
    const beyond = (p: typeof first, by: number) => ({ ...p, at: folded ? at : p.at + by })
    const next = points.find((p) => p.at >= at) ?? beyond(folded ? end : first, 360)
    const last = points.findLast((p) => p.at <= at) ?? beyond(folded ? first : end, -360)
    const share = next.at === last.at ? 0 : (at - last.at) / (next.at - last.at)
    return last.db + share * (next.db - last.db) - top
  }
}

/**
 * What a rig's antenna has less in a direction than at its strongest, dB (0 or less): by its pattern, where that and
 * where it points are known. Where it looks up or down, a level direction is off by both angles together, and the
 * pattern is taken to be the same all round.
 * @returns by the bearing from the antenna, degrees from true north; null where it has no direction that counts
 */
export function towards(rig: Rig): ((bearingDeg: number) => number) | null {
  if (!pointsOneWay(rig)) return null
  const { pattern, azimuthDeg, tiltDeg = 0 } = rig
  const read = patternOf(pattern)
  if (tiltDeg === 0) return (bearingDeg) => read(bearingDeg - azimuthDeg)
  const up = Math.cos((tiltDeg * Math.PI) / 180)
  return (bearingDeg) => {
    const side = turnDeg(bearingDeg - azimuthDeg)
    const off = (Math.acos(Math.cos((side * Math.PI) / 180) * up) * 180) / Math.PI
    return read(side > 180 ? -off : off)
  }
}
