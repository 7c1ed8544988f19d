import { gammaOfReturnLoss, gammaOfSwr, returnLossDb } from '@/core/rf'
import type { SweepBand } from './advice'
import { gammaBetween, readAt, swrOfSize, type Reading, type Sweep } from './sweep'

/** A stretch of frequency in which a limit is met. An open end is the sweep's own. */
export interface Stretch extends SweepBand {
  openBelow: boolean
  openAbove: boolean
}

/** How an antenna stands against a limit in its band. */
export interface PassBand {
  passes: boolean
  /** The stretch that holds the band, or most of it; null where the limit is met nowhere near. */
  own: Stretch | null
  /** All stretches that meet the limit, rising. */
  stretches: Stretch[]
  /** How much return loss is to spare at the band's ends and where it is worst, dB; below 0 it is missed. */
  marginDb: { low: number; high: number; worst: number }
  worst: Reading
}

/** A limit given as SWR or as return loss, both. @param limit.swr above 1 */
export const limitOfSwr = (swr: number) => ({ swr, returnLossDb: returnLossDb(gammaOfSwr(swr)) })
/** @param db above 0 */
export const limitOfReturnLoss = (db: number) => ({ swr: swrOfSize(gammaOfReturnLoss(db)), returnLossDb: db })

/** Parts of the way between two points at which |Γ|, straight in the plane, is the limit. */
function crossings(s: Sweep, i: number, limit: number): number[] {
  const [a, b] = [s.re[i]!, s.im[i]!]
  const [da, db] = [s.re[i + 1]! - a, s.im[i + 1]! - b]
  const [square, half, rest] = [da * da + db * db, a * da + b * db, a * a + b * b - limit * limit]
  const inside = half * half - square * rest
  if (square === 0 || inside <= 0) return []
  const root = Math.sqrt(inside)
  return [(-half - root) / square, (-half + root) / square].filter((t) => t > 0 && t < 1)
}

/**
 * Stretches in which |Γ| is at most the limit, with edges between points.
 * @param limitSize |Γ|, 0 to 1
 */
export function stretchesWithin(s: Sweep, limitSize: number): Stretch[] {
  const f = s.frequencyMHz
  const last = f.length - 1
  const cuts = [f[0]!]
  for (let i = 0; i < last; i++)
    cuts.push(...crossings(s, i, limitSize).map((t) => f[i]! + (f[i + 1]! - f[i]!) * t))
  // A point that lies on the limit itself parts two pieces as well.
  for (let i = 1; i < last; i++) if (Math.hypot(s.re[i]!, s.im[i]!) === limitSize) cuts.push(f[i]!)
  cuts.push(f[last]!)
  cuts.sort((a, b) => a - b)
  const made: Stretch[] = []
  for (let i = 0; i + 1 < cuts.length; i++) {
    const [fromMHz, toMHz] = [cuts[i]!, cuts[i + 1]!]
    if (toMHz <= fromMHz) continue
    if (gammaBetween(s, (fromMHz + toMHz) / 2)!.abs() > limitSize) continue
    const before = made[made.length - 1]
    if (before?.toMHz === fromMHz) before.toMHz = toMHz
    else made.push({ fromMHz, toMHz, openBelow: fromMHz === f[0], openAbove: false })
    made[made.length - 1]!.openAbove = toMHz === f[last]
  }
  return made
}

const overlap = (a: SweepBand, b: SweepBand) => Math.min(a.toMHz, b.toMHz) - Math.max(a.fromMHz, b.fromMHz)

/** The worst reading of a band: at its ends, or at a point inside. */
function worstIn(s: Sweep, band: SweepBand): Reading {
  const inside = s.frequencyMHz.filter((f) => f > band.fromMHz && f < band.toMHz)
  return [band.fromMHz, ...inside, band.toMHz]
    .flatMap((f) => readAt(s, f) ?? [])
    .reduce((worst, r) => (r.size > worst.size ? r : worst))
}

/**
 * Whether a limit is met in the whole band, where the trace crosses it, and what is to spare.
 * @param band wholly or partly inside the sweep; what was not measured does not pass
 * @param limitSwr above 1
 * @throws RangeError where the sweep has nothing of the band
 */
export function passBand(s: Sweep, band: SweepBand, limitSwr: number): PassBand {
  const f = s.frequencyMHz
  const seen = { fromMHz: Math.max(band.fromMHz, f[0]!), toMHz: Math.min(band.toMHz, f[f.length - 1]!) }
  if (!(seen.toMHz >= seen.fromMHz)) throw new RangeError('the sweep has nothing of the band')
  const limit = gammaOfSwr(limitSwr)
  const stretches = stretchesWithin(s, limit)
  const own = stretches
    .filter((x) => overlap(x, band) >= 0)
    .reduce<Stretch | null>((most, x) => (most && overlap(most, band) >= overlap(x, band) ? most : x), null)
  const worst = worstIn(s, seen)
  const spare = (r: Reading) => r.returnLossDb - returnLossDb(limit)
  const whole = seen.fromMHz === band.fromMHz && seen.toMHz === band.toMHz
  return {
    passes: whole && worst.size <= limit,
    own,
    stretches,
    marginDb: {
      low: spare(readAt(s, seen.fromMHz)!),
      high: spare(readAt(s, seen.toMHz)!),
      worst: spare(worst),
    },
    worst,
  }
}

/** Widths in which an SWR is met about a frequency, for each of several SWRs; null where it is not met there. */
export const usableWidths = (s: Sweep, aboutMHz: number, swrs: readonly number[] = [1.5, 2, 3]) =>
  swrs.map((swr) => ({
    swr,
    stretch:
      stretchesWithin(s, gammaOfSwr(swr)).find((x) => x.fromMHz <= aboutMHz && x.toMHz >= aboutMHz) ?? null,
  }))
