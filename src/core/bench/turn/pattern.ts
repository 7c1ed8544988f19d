import { offDeg, turnDeg } from '@/core/geo'
import { meanPowerDb, type TurnPoint } from './readings'

/** A figure that the receiver's floor may cut off: then it is at least that. */
export interface AtLeast {
  db: number
  atLeast: boolean
}

/** A minimum between two stronger directions. */
interface Null {
  angleDeg: number
  /** Below the peak, dB. */
  depth: AtLeast
}

interface Beam {
  fromDeg: number
  toDeg: number
  widthDeg: number
}

/** What a pattern all round says. Angles as they were measured; levels below the peak are positive. */
export interface PatternFigures {
  /** The middle of the beam at -3 dB; the strongest angle where there is none. */
  peakDeg: number
  peakDb: number
  frontToBack: AtLeast
  /** To the strongest of what lies behind, 120 to 240 degrees off the peak. */
  frontToRear: AtLeast
  frontToSide: { left: AtLeast; right: AtLeast }
  beam3: Beam | null
  beam6: Beam | null
  nulls: Null[]
  /** How fast the level falls, dB a degree: at the edges of the beam, and beside the deepest null. */
  sharpness: { beam: number | null; null: number | null }
}

const FEWEST_POINTS = 5
/** A minimum counts as a null where it lies so far below what stands on both sides of it, dB. */
const NULL_STANDS_OUT_DB = 6
/** A gap between angles wider than this is a missing sector, degrees. */
const WIDEST_GAP_DEG = 61

/** Level between angles, straight in dB from one to the next, all round. @param points rising, two or more */
export function levelAt(points: readonly TurnPoint[], angleDeg: number): { db: number; atOrBelow: boolean } {
  const angle = turnDeg(angleDeg)
  const after = points.findIndex((p) => p.angleDeg >= angle)
  const next = points[after < 0 ? 0 : after]!
  const last = points[(after <= 0 ? points.length : after) - 1]!
  const gap = turnDeg(next.angleDeg - last.angleDeg) || 360
  const t = turnDeg(angle - last.angleDeg) / gap
  return { db: last.db + (next.db - last.db) * t, atOrBelow: t < 0.5 ? last.atOrBelow : next.atOrBelow }
}

/** Sectors that nobody measured, wider than a sixth of a turn. */
export const missingSectors = (points: readonly TurnPoint[]): { fromDeg: number; toDeg: number }[] =>
  points.flatMap((p, i) => {
    const next = points[(i + 1) % points.length]!
    const gap = points.length === 1 ? 360 : turnDeg(next.angleDeg - p.angleDeg) || 360
    return gap > WIDEST_GAP_DEG ? [{ fromDeg: p.angleDeg, toDeg: next.angleDeg }] : []
  })

/** The top of a parabola through the strongest and its neighbours, where these stand evenly. */
function peakOf(points: readonly TurnPoint[]): { angleDeg: number; db: number } {
  const k = points.reduce((best, p, i) => (p.db > points[best]!.db ? i : best), 0)
  const at = points[k]!
  const [before, after] = [points[(k + points.length - 1) % points.length]!, points[(k + 1) % points.length]!]
  const [back, on] = [turnDeg(at.angleDeg - before.angleDeg), turnDeg(after.angleDeg - at.angleDeg)]
  const bend = before.db - 2 * at.db + after.db
  if (Math.abs(back - on) > 1 || on > 45 || bend >= 0) return at
  const off = (before.db - after.db) / (2 * bend)
  return { angleDeg: turnDeg(at.angleDeg + off * on), db: at.db - ((before.db - after.db) * off) / 4 }
}

/** Where the level first falls so far below the peak, on one side; null where it never does. */
function edgeFrom(
  points: readonly TurnPoint[],
  peak: { angleDeg: number; db: number },
  fallDb: number,
  side: 1 | -1,
) {
  const level = peak.db - fallDb
  const ordered = points
    .map((p) => ({ off: turnDeg(side * (p.angleDeg - peak.angleDeg)), db: p.db }))
    .sort((a, b) => a.off - b.off)
  let before = { off: 0, db: peak.db }
  for (const p of ordered) {
    if (p.off > 180) return null
    if (p.db <= level)
      return {
        off: before.off + ((before.db - level) / (before.db - p.db)) * (p.off - before.off),
        slope: (before.db - p.db) / (p.off - before.off),
      }
    before = p
  }
  return null
}

function beamOf(points: readonly TurnPoint[], peak: { angleDeg: number; db: number }, fallDb: number) {
  const [left, right] = [edgeFrom(points, peak, fallDb, -1), edgeFrom(points, peak, fallDb, 1)]
  if (!left || !right) return null
  return {
    beam: {
      fromDeg: turnDeg(peak.angleDeg - left.off),
      toDeg: turnDeg(peak.angleDeg + right.off),
      widthDeg: left.off + right.off,
    },
    slope: (left.slope + right.slope) / 2,
  }
}

function nullsOf(points: readonly TurnPoint[], peakDb: number): Null[] {
  const n = points.length
  return points.flatMap((p, i) => {
    const rise = (step: 1 | -1) => {
      let top = p.db
      for (let k = 1; k < n; k++) {
        const other = points[(i + step * k + n * k) % n]!
        if (other.db < p.db || (other.db === p.db && step < 0)) break
        top = Math.max(top, other.db)
      }
      return top - p.db
    }
    if (Math.min(rise(-1), rise(1)) < NULL_STANDS_OUT_DB) return []
    return [{ angleDeg: p.angleDeg, depth: { db: peakDb - p.db, atLeast: p.atOrBelow } }]
  })
}

/**
 * What a turned antenna's levels say.
 * @param points rising, all round
 * @returns null of fewer than five angles, or where a sector wider than a sixth of a turn is missing
 */
export function patternFigures(points: readonly TurnPoint[]): PatternFigures | null {
  if (points.length < FEWEST_POINTS || missingSectors(points).length > 0) return null
  const top = peakOf(points)
  // A top that is flat wanders with the readings; the middle of the beam holds still.
  const beam = beamOf(points, top, 3)?.beam
  const peak = beam ? { angleDeg: turnDeg(beam.fromDeg + beam.widthDeg / 2), db: top.db } : top
  const below = (angle: number): AtLeast => {
    const at = levelAt(points, angle)
    return { db: peak.db - at.db, atLeast: at.atOrBelow }
  }
  const behind = points.filter((p) => Math.abs(offDeg(p.angleDeg - peak.angleDeg)) >= 120)
  const rear = behind.reduce<TurnPoint | null>((most, p) => (most && most.db >= p.db ? most : p), null)
  const [b3, b6] = [beamOf(points, peak, 3), beamOf(points, peak, 6)]
  const nulls = nullsOf(points, peak.db)
  const deepest = nulls.reduce<Null | null>((d, x) => (d && d.depth.db >= x.depth.db ? d : x), null)
  return {
    peakDeg: peak.angleDeg,
    peakDb: peak.db,
    frontToBack: below(peak.angleDeg + 180),
    frontToRear: rear ? { db: peak.db - rear.db, atLeast: rear.atOrBelow } : below(peak.angleDeg + 180),
    frontToSide: { left: below(peak.angleDeg - 90), right: below(peak.angleDeg + 90) },
    beam3: b3?.beam ?? null,
    beam6: b6?.beam ?? null,
    nulls,
    sharpness: { beam: b3?.slope ?? null, null: deepest && slopeBeside(points, deepest.angleDeg) },
  }
}

/** Mean rise on both sides of an angle to the next ones, dB a degree. */
function slopeBeside(points: readonly TurnPoint[], angleDeg: number): number {
  const i = points.findIndex((p) => p.angleDeg === angleDeg)
  const n = points.length
  const rise = (other: TurnPoint) =>
    (other.db - points[i]!.db) / Math.abs(offDeg(other.angleDeg - points[i]!.angleDeg))
  return (rise(points[(i + 1) % n]!) + rise(points[(i + n - 1) % n]!)) / 2
}

/** Left and right of the peak brought together. */
export interface Folded {
  /** Off the peak, 0 to 180. */
  offDeg: number
  leftDb: number
  rightDb: number
  /** Mean as power. */
  db: number
}

/**
 * Both sides of the peak laid over each other. What folding hides is their difference, which a body or a slope makes.
 * @param stepDeg above 0
 */
export function folded(points: readonly TurnPoint[], peakDeg: number, stepDeg = 15): Folded[] {
  return Array.from({ length: Math.floor(180 / stepDeg + 1e-6) + 1 }, (_, i) => {
    const off = i * stepDeg
    const [leftDb, rightDb] = [levelAt(points, peakDeg - off).db, levelAt(points, peakDeg + off).db]
    return { offDeg: off, leftDb, rightDb, db: meanPowerDb([leftDb, rightDb]) }
  })
}

/** The most that folding hides, dB and where; 0 at least. */
export const mostHidden = (f: readonly Folded[]) =>
  f.reduce(
    (most, x) => {
      const db = Math.abs(x.leftDb - x.rightDb)
      return db > most.db
        ? { db, offDeg: x.offDeg, stronger: x.leftDb > x.rightDb ? ('left' as const) : ('right' as const) }
        : most
    },
    { db: 0, offDeg: 0, stronger: 'left' as 'left' | 'right' },
  )
