import type { GroundKind } from '../effectiveHeight'
import { firstTermLoss, type DiffractionPath } from './sphericalEarth'

const DB_OF_LN = 10 / Math.LN10
/** A height's gain is no less than 2 dB over 20 lg k. */
const FLOOR = 10 ** 0.1
/** From here on the floor may be higher than what a great height gains. */
const MOST_K = 2
const THIRD = Math.PI / 3

/**
 * {@link sphericalEarthLoss} for many paths of one kind: what does not hang on the path is worked out once, powers are
 * products, and the logarithms of a path are taken together. The same figures within rounding.
 */
export class QuickSphere {
  private readonly ae: number
  private readonly sight: number
  private readonly needs: number
  /** Normalised admittance k, distance X per km and height per m, at an effective radius of 1 km. */
  private readonly k1: number
  private readonly k1Sea: number
  private readonly x1: number
  private readonly y1: number
  /** One over the cube root of the effective radius in km. */
  private readonly cAe: number

  constructor(private readonly path: DiffractionPath) {
    const { frequencyMHz: f, ground, sea, polarisation, radiusKm } = path
    this.ae = radiusKm
    this.sight = Math.sqrt(0.002 * radiusKm)
    this.needs = 17.456 * Math.sqrt(299.792458 / f)
    const admittance = ({ sigmaSm, epsilonR }: GroundKind) => {
      const x = (18000 * sigmaSm) / f
      const flat = 0.36 / Math.cbrt(f) / Math.sqrt(Math.hypot(epsilonR - 1, x))
      return polarisation === 'horizontal' ? flat : flat * Math.hypot(epsilonR, x)
    }
    this.k1 = admittance(ground)
    this.k1Sea = sea ? admittance(sea) : this.k1
    this.x1 = 2.188 * Math.cbrt(f)
    this.y1 = 9.575e-3 * Math.cbrt(f) ** 2
    this.cAe = 1 / Math.cbrt(radiusKm)
  }

  /**
   * Loss over a smooth earth, dB, 0 where the path clears it.
   * @param d km @param h1, h2 above 0 m @param seaShare of the path over the sea, 0 to 1
   */
  lossDb(d: number, h1: number, h2: number, seaShare = 0): number {
    const roots = Math.sqrt(h1) + Math.sqrt(h2)
    if (d >= this.sight * roots) return this.weighted(d, h1, h2, this.cAe, seaShare)
    const { ae } = this
    // Clear everywhere by more than is needed anywhere.
    if (Math.min(h1, h2) - (125 * d * d) / ae > (this.needs * Math.sqrt(d)) / 2) return 0
    const sum = h1 + h2
    const m = (250 * d * d) / (ae * sum)
    const n = m + 1
    const inner = (1.5 * (h1 - h2) * Math.sqrt((3 * m) / (n * n * n))) / sum
    const turned = Math.acos(inner > 1 ? 1 : inner < -1 ? -1 : inner) / 3
    const b = 2 * Math.sqrt(n / (3 * m)) * Math.cos(THIRD + turned)
    const d1 = (d * (1 + b)) / 2
    const d2 = d - d1
    const clearance = (h1 * d2 + h2 * d1) / d - (500 * d1 * d2) / ae
    const needed = this.needs * Math.sqrt((d1 * d2) / d)
    if (clearance > needed) return 0
    // The radius at which the path would just be seen.
    const grazing = 500 * (d / roots) ** 2
    const loss = this.weighted(d, h1, h2, 1 / Math.cbrt(grazing), seaShare)
    return loss < 0 ? 0 : (1 - clearance / needed) * loss
  }

  /** The first terms over land and sea, each by its share. @param c one over the cube root of the effective radius in km */
  private weighted(d: number, h1: number, h2: number, c: number, seaShare: number): number {
    const { path, k1, k1Sea } = this
    if (!path.sea || seaShare <= 0) return this.firstTerm(d, h1, h2, c, k1, path.ground)
    const overSea = this.firstTerm(d, h1, h2, c, k1Sea, path.sea)
    if (seaShare >= 1) return overSea
    return seaShare * overSea + (1 - seaShare) * this.firstTerm(d, h1, h2, c, k1, path.ground)
  }

  /** The first term of the residue series over one kind of ground. */
  private firstTerm(d: number, h1: number, h2: number, c: number, k1: number, ground: GroundKind): number {
    const k = k1 * c
    if (k > MOST_K) return firstTermLoss({ ...this.path, ground }, d, h1, h2, 1 / c ** 3)
    const kk = k * k
    const beta = (1 + kk * (1.6 + 0.67 * kk)) / (1 + kk * (4.5 + 1.53 * kk))
    const x = this.x1 * beta * c * c * d
    const y = this.y1 * beta * beta * c
    const low = k * FLOOR
    const b1 = y * h1
    const b2 = y * h2
    const linear = linearPart(b1) + linearPart(b2)
    const power = powerPart(b1, low) * powerPart(b2, low)
    if (x >= 1.6) return linear - 11 + 17.6 * x - DB_OF_LN * Math.log(x * power)
    const ln = Math.log(x)
    return linear + 5.6488 * Math.exp(1.425 * ln) + DB_OF_LN * (2 * ln - Math.log(power))
  }
}

/** What a height takes off the loss beside its logarithm, dB. @param b normalised height */
const linearPart = (b: number) => (b > 2 ? 8 - 17.6 * Math.sqrt(b - 1.1) : 0)

/** The power whose decibels a height takes off the loss. @param low the least amplitude */
function powerPart(b: number, low: number): number {
  if (b > 2) return 1 / Math.sqrt(b - 1.1)
  const gain = Math.max(low, b + 0.1 * b * b * b)
  return gain * gain
}
