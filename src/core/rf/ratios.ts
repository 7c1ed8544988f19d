/** Power ratio of a level difference: 10^(dB/10). @example powerRatio(20) // 100 */
export function powerRatio(db: number): number {
  return 10 ** (db / 10)
}

/** Level difference of a power ratio, dB. @param ratio above 0 @throws RangeError otherwise */
export function dbOfPowerRatio(ratio: number): number {
  if (!(ratio > 0)) throw new RangeError(`a power ratio must be above 0, not ${ratio}`)
  return 10 * Math.log10(ratio)
}

/**
 * Distance ratio that a level difference buys where level falls by 10 n lg d: 10^(dB/(10 n)).
 * n is 2 in free space and about 4 near the ground; a slope measured on this ground goes before both.
 * @param slope n, above 0
 * @throws RangeError otherwise
 */
export function distanceRatio(db: number, slope: number): number {
  if (!(slope > 0)) throw new RangeError(`slope must be above 0, not ${slope}`)
  return 10 ** (db / (10 * slope))
}

/** Level difference that a distance ratio costs, dB. @param ratio above 0 @param slope n, above 0 @throws RangeError */
export function dbOfDistanceRatio(ratio: number, slope: number): number {
  return dbOfPowerRatio(ratio) * slope
}
