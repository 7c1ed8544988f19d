/**
 * Loss between two linear antennas turned against each other, dB: -10 lg(cos²θ + sin²θ · 10^(-X/10)).
 * Turning a real antenna turns its pattern too, which this does not know.
 * @param angleDeg any; 0 is aligned
 * @param crossPolarDb discrimination X of the pair, dB, 0 or more
 * @example polarisationLossDb(40, 22) // 2.30
 */
export function polarisationLossDb(angleDeg: number, crossPolarDb: number): number {
  const t = (angleDeg * Math.PI) / 180
  return -10 * Math.log10(Math.cos(t) ** 2 + Math.sin(t) ** 2 * 10 ** (-crossPolarDb / 10))
}

/** Loss from a linear to a circular antenna, dB. */
export const LINEAR_TO_CIRCULAR_DB = 10 * Math.log10(2)
