import type { GroundKind } from '../effectiveHeight'

type WavePolarisation = 'horizontal' | 'vertical'

/** What diffraction needs to know beside the profile. */
export interface DiffractionPath {
  frequencyMHz: number
  polarisation: WavePolarisation
  ground: GroundKind
  /** What ground at exactly 0 m is, by the share of the path that lies over it; left out where all is `ground`. */
  sea?: GroundKind
  /** Effective radius of the earth, km. */
  radiusKm: number
}

/** First term of the residue series for one effective radius, dB. */
export function firstTermLoss(
  path: DiffractionPath,
  distanceKm: number,
  h1M: number,
  h2M: number,
  radiusKm = path.radiusKm,
): number {
  const { frequencyMHz: f, ground, polarisation } = path
  const x = (18000 * ground.sigmaSm) / f
  const kH = 0.36 * (radiusKm * f) ** (-1 / 3) * ((ground.epsilonR - 1) ** 2 + x * x) ** -0.25
  const k = polarisation === 'horizontal' ? kH : kH * Math.sqrt(ground.epsilonR ** 2 + x * x)
  const beta = (1 + 1.6 * k ** 2 + 0.67 * k ** 4) / (1 + 4.5 * k ** 2 + 1.53 * k ** 4)
  const X = 2.188 * beta * f ** (1 / 3) * radiusKm ** (-2 / 3) * distanceKm
  const y = 9.575e-3 * beta * f ** (2 / 3) * radiusKm ** (-1 / 3)
  const F = X >= 1.6 ? 11 + 10 * Math.log10(X) - 17.6 * X : -20 * Math.log10(X) - 5.6488 * X ** 1.425
  return -F - heightGain(beta * y * h1M, k) - heightGain(beta * y * h2M, k)
}

/** The same over a path that lies partly over the sea, each by its share, as ITU-R P.1812-6 (4.3.3) weighs them. */
function weightedFirstTerm(
  path: DiffractionPath,
  distanceKm: number,
  h1M: number,
  h2M: number,
  seaShare: number,
  radiusKm?: number,
): number {
  const over = (ground: GroundKind) => firstTermLoss({ ...path, ground }, distanceKm, h1M, h2M, radiusKm)
  if (!path.sea || !(seaShare > 0)) return over(path.ground)
  return seaShare * over(path.sea) + (1 - seaShare) * over(path.ground)
}

function heightGain(b: number, k: number): number {
  const g =
    b > 2 ? 17.6 * Math.sqrt(b - 1.1) - 5 * Math.log10(b - 1.1) - 8 : 20 * Math.log10(b + 0.1 * b ** 3)
  return Math.max(g, 2 + 20 * Math.log10(k))
}

/**
 * Diffraction loss over a smooth spherical earth, dB, 0 where the path clears it. Source: ITU-R P.526-15. From 10 MHz.
 * @param h1M, h2M heights over the smooth earth, above 0 m
 * @param seaShare of the path that lies over the sea, 0 to 1; counts where the path says what sea is
 */
export function sphericalEarthLoss(
  path: DiffractionPath,
  distanceKm: number,
  h1M: number,
  h2M: number,
  seaShare = 0,
): number {
  const ae = path.radiusKm
  const d = distanceKm
  const sight = Math.sqrt(2 * ae) * (Math.sqrt(0.001 * h1M) + Math.sqrt(0.001 * h2M))
  if (d >= sight) return weightedFirstTerm(path, d, h1M, h2M, seaShare)
  const c = (h1M - h2M) / (h1M + h2M)
  const m = (250 * d * d) / (ae * (h1M + h2M))
  const inner = Math.max(-1, Math.min(1, ((3 * c) / 2) * Math.sqrt((3 * m) / (m + 1) ** 3)))
  const b = 2 * Math.sqrt((m + 1) / (3 * m)) * Math.cos(Math.PI / 3 + Math.acos(inner) / 3)
  const d1 = (d * (1 + b)) / 2
  const d2 = d - d1
  const clearance = ((h1M - (500 * d1 * d1) / ae) * d2 + (h2M - (500 * d2 * d2) / ae) * d1) / d
  const needed = 17.456 * Math.sqrt((d1 * d2 * (299.792458 / path.frequencyMHz)) / d)
  if (clearance > needed) return 0
  const modified = 500 * (d / (Math.sqrt(h1M) + Math.sqrt(h2M))) ** 2
  const loss = weightedFirstTerm(path, d, h1M, h2M, seaShare, modified)
  return loss < 0 ? 0 : (1 - clearance / needed) * loss
}
