/**
 * Size of the reflection coefficient of a standing-wave ratio: (SWR - 1)/(SWR + 1).
 * @param swr 1 or more
 * @throws RangeError below 1
 * @example gammaOfSwr(3) // 0.5
 */
export function gammaOfSwr(swr: number): number {
  if (!(swr >= 1)) throw new RangeError(`swr must be 1 or more, not ${swr}`)
  return swr === Infinity ? 1 : (swr - 1) / (swr + 1)
}

/** Standing-wave ratio of a reflection coefficient. @param gamma 0 to 1; 1 answers Infinity @throws RangeError */
export function swrOfGamma(gamma: number): number {
  if (!(gamma >= 0 && gamma <= 1)) throw new RangeError(`gamma must be 0 to 1, not ${gamma}`)
  return (1 + gamma) / (1 - gamma)
}

/** Return loss, dB: -20 lg |Γ|. @param gamma 0 to 1; 0 answers Infinity @example returnLossDb(gammaOfSwr(2)) // 9.54 */
export function returnLossDb(gamma: number): number {
  return gamma === 0 ? Infinity : -20 * Math.log10(gamma)
}

/** Reflection coefficient of a return loss. @param db 0 or more @throws RangeError below 0 */
export function gammaOfReturnLoss(db: number): number {
  if (!(db >= 0)) throw new RangeError(`a return loss is 0 dB or more, not ${db}`)
  return 10 ** (-db / 20)
}

/** Mismatch loss, dB: -10 lg(1 - |Γ|²). @param gamma 0 to 1 @example mismatchLossDb(gammaOfSwr(2)) // 0.51 */
export function mismatchLossDb(gamma: number): number {
  return -10 * Math.log10(1 - gamma * gamma)
}

/** Reflection coefficient of a mismatch loss. @param db 0 or more @throws RangeError below 0 */
export function gammaOfMismatchLoss(db: number): number {
  if (!(db >= 0)) throw new RangeError(`a mismatch loss is 0 dB or more, not ${db}`)
  return Math.sqrt(1 - 10 ** (-db / 10))
}

/** An SWR as it is shown: two digits, none from 10 on, "over 20" beyond. */
export function swrText(swr: number): string {
  return swr > 20 ? 'over 20' : swr.toFixed(swr < 10 ? 2 : 0)
}
