import { returnLossDb } from '@/core/rf'
import type { SweepBand } from './advice'
import { averaged, gammaAt, overSame, type Sweep } from './sweep'

/** What two ways of measuring one antenna differ by, against how well each repeats. */
export interface SweepsApart {
  verdict: 'differ' | 'cannot tell'
  /** Chance of such a difference if only the repeats differed, 0 to 1; null where nothing was repeated. */
  p: number | null
  /** Root mean square of |ΔΓ| over the band, between the means and among repeats (one against another). */
  apart: number
  repeats: number | null
  /** Where they lie apart the most, and both return losses there, dB. */
  most: { frequencyMHz: number; aDb: number; bDb: number }
}

const square = (v: { re: number; im: number }) => v.re * v.re + v.im * v.im

/** Mean square over the band of each sweep's distance from the mean of its group, summed over a group. */
function within(group: readonly Sweep[], inBand: readonly number[]): number {
  const middle = averaged(group)
  return group.reduce(
    (sum, s) =>
      sum + inBand.reduce((n, i) => n + square(gammaAt(s, i).sub(gammaAt(middle, i))), 0) / inBand.length,
    0,
  )
}

/**
 * Whether two groups of sweeps differ by more than they repeat. Neighbouring points err together (a plug, a hand), so a
 * whole sweep counts as one pair of figures, real and imaginary: F with 2 and 2(n - 2) degrees of freedom.
 * @param a, b one sweep or more each; all must reach over the band
 * @returns null where they have no band in common
 */
export function sweepsApart(a: readonly Sweep[], b: readonly Sweep[], band: SweepBand): SweepsApart | null {
  const grid = a[0]!.frequencyMHz.filter(
    (f) => f >= band.fromMHz && f <= band.toMHz && [...a, ...b].every((s) => reaches(s, f)),
  )
  if (grid.length < 2) return null
  const [A, B] = [a, b].map((group) => group.map((s) => overSame(s, grid)!)) as [Sweep[], Sweep[]]
  const inBand = grid.map((_, i) => i)
  const [meanA, meanB] = [averaged(A), averaged(B)]
  const between = inBand.map((i) => square(gammaAt(meanA, i).sub(gammaAt(meanB, i))))
  const apart = between.reduce((s, v) => s + v, 0) / inBand.length
  const free = 2 * (a.length + b.length - 2)
  const spread = free > 0 ? ((within(A, inBand) + within(B, inBand)) * 2) / free : null
  const most = between.indexOf(Math.max(...between))
  let p: number | null = null
  if (spread !== null) {
    const ratio = apart / (spread * (1 / a.length + 1 / b.length))
    p = spread === 0 ? (apart > 0 ? 0 : 1) : (1 + (2 * ratio) / free) ** (-free / 2)
  }
  return {
    verdict: p !== null && p < 0.05 ? 'differ' : 'cannot tell',
    p,
    apart: Math.sqrt(apart),
    repeats: spread === null ? null : Math.sqrt(2 * spread),
    most: {
      frequencyMHz: grid[most]!,
      aDb: returnLossDb(gammaAt(meanA, most).abs()),
      bDb: returnLossDb(gammaAt(meanB, most).abs()),
    },
  }
}

const reaches = (s: Sweep, f: number) =>
  f >= s.frequencyMHz[0]! && f <= s.frequencyMHz[s.frequencyMHz.length - 1]!
