/** Loss of a line: dB per 100 m = k1 √f + k2 f, f in MHz. */
export interface LineLoss {
  k1: number
  k2: number
}

/** One point of a data sheet. */
export interface LinePoint {
  frequencyMHz: number
  dbPer100m: number
}

/**
 * Loss of a matched line, dB: (k1 √f + k2 f) · length/100 m.
 * @param at.frequencyMHz above 0
 * @param at.lengthM 0 or more
 * @throws RangeError otherwise
 * @example matchedLossDb({ k1: 1.389, k2: 0.0221 }, { frequencyMHz: 155, lengthM: 20 }) // 4.14
 */
export function matchedLossDb(line: LineLoss, at: { frequencyMHz: number; lengthM: number }): number {
  const { frequencyMHz, lengthM } = at
  if (!(frequencyMHz > 0)) throw new RangeError(`frequencyMHz must be above 0, not ${frequencyMHz}`)
  if (!(lengthM >= 0)) throw new RangeError(`lengthM must be 0 or more, not ${lengthM}`)
  return ((line.k1 * Math.sqrt(frequencyMHz) + line.k2 * frequencyMHz) * lengthM) / 100
}

/** What a mismatched load makes of something that loses. */
export interface MismatchedLoss {
  /** From the power that enters to the power that the load takes, dB. */
  totalDb: number
  /** |Γ| seen at the near end. */
  gammaAtInput: number
}

/**
 * Loss of a line, or of anything else matched that loses, with a mismatched load:
 * a = 10^(A/10), total = 10 lg[(a² - |Γ|²)/(a (1 - |Γ|²))]; the near end sees |Γ|/a. Exact for a line of real
 * characteristic impedance; in a chain the pieces compose without error.
 * @param matchedDb 0 or more
 * @param gammaAtLoad 0 to below 1
 * @throws RangeError otherwise
 * @example mismatchedLoss(4.14, 0.5) // totalDb 5.23, SWR at the radio 1.48
 */
export function mismatchedLoss(matchedDb: number, gammaAtLoad: number): MismatchedLoss {
  if (!(matchedDb >= 0)) throw new RangeError(`matchedDb must be 0 or more, not ${matchedDb}`)
  if (!(gammaAtLoad >= 0 && gammaAtLoad < 1))
    throw new RangeError(`gammaAtLoad must be 0 to below 1, not ${gammaAtLoad}`)
  const a = 10 ** (matchedDb / 10)
  const g2 = gammaAtLoad * gammaAtLoad
  return { totalDb: 10 * Math.log10((a * a - g2) / (a * (1 - g2))), gammaAtInput: gammaAtLoad / a }
}

/**
 * k1 and k2 from a data sheet's points by least squares; neither may be negative. One point gives k1 alone.
 * @throws RangeError without points, or where a frequency or a loss is not above 0
 */
export function fitLineLoss(points: readonly LinePoint[]): LineLoss {
  if (points.length === 0) throw new RangeError('a line needs at least one point of its data sheet')
  if (points.some((p) => !(p.frequencyMHz > 0 && p.dbPer100m > 0)))
    throw new RangeError('frequencies and losses of a data sheet are above 0')
  let [s11, s12, s22, t1, t2] = [0, 0, 0, 0, 0]
  for (const { frequencyMHz: f, dbPer100m: y } of points) {
    s11 += f
    s12 += f * Math.sqrt(f)
    s22 += f * f
    t1 += y * Math.sqrt(f)
    t2 += y * f
  }
  const determinant = s11 * s22 - s12 * s12
  if (determinant > 1e-9 * s11 * s22) {
    const k1 = (t1 * s22 - t2 * s12) / determinant
    const k2 = (t2 * s11 - t1 * s12) / determinant
    if (k1 >= 0 && k2 >= 0) return { k1, k2 }
    if (k1 < 0) return { k1: 0, k2: t2 / s22 }
  }
  return { k1: t1 / s11, k2: 0 }
}
