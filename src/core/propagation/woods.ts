/**
 * Specific attenuation in woodland with leaves, dB/m, by frequency, MHz: ITU-R P.833, the measurements that its table
 * of the most loss, Am, is made of (mixed forest, 16 m, 105.9 MHz to 2.1 GHz).
 */
const GAMMA: readonly [mhz: number, dbPerM: number][] = [
  [105.9, 0.04],
  [466.475, 0.12],
  [949, 0.17],
  [1852.2, 0.3],
  [2117.5, 0.34],
]
/** Most that a wood about one end takes, dB: Am = A1 f^α of the same forest, f in MHz. */
const [A1, ALPHA] = [1.37, 0.42]

/** Between the measured frequencies evenly in logarithms, beyond them as the nearest two go on. */
function gammaDbPerM(frequencyMHz: number): number {
  const at = GAMMA.findIndex(([f]) => f >= frequencyMHz)
  const i = at === -1 ? GAMMA.length - 1 : Math.max(1, at)
  const [[f0, g0], [f1, g1]] = [GAMMA[i - 1]!, GAMMA[i]!]
  return g0 * (g1 / g0) ** (Math.log(frequencyMHz / f0) / Math.log(f1 / f0))
}

/**
 * Loss through trees in leaf with one end of the path among them, dB: ITU-R P.833, A = Am (1 - exp(-d γ / Am)). It has
 * no step in frequency and goes towards Am with the depth. For the path through the trees; over them it may be less.
 * @param depthM 0 or more
 * @throws RangeError below 0
 * @example woodsLoss(466.475, 80) // 7.5
 */
export function woodsLoss(frequencyMHz: number, depthM: number): number {
  if (!(depthM >= 0)) throw new RangeError(`depthM must be 0 or more, not ${depthM}`)
  const most = A1 * frequencyMHz ** ALPHA
  return most * (1 - Math.exp((-depthM * gammaDbPerM(frequencyMHz)) / most))
}
