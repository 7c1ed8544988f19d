/** Half of a street, or of a clearing, in front of what stands about an antenna: w_s of ITU-R P.2108, m. */
const STREET_M = 27

/**
 * What stands about an antenna that is lower than it, dB: the height-gain terminal correction of ITU-R P.2108-1, 3.1,
 * equations (2a) to (2f), diffraction over the edge of roofs or trees. Nothing where the antenna stands over the tops,
 * and it comes to that without a step. Valid from 30 MHz to 3 GHz.
 * @param heightM of the antenna over the ground, above 0
 * @param topM of what stands there
 * @example endClutterDb(155, 1.4, 10) // 11.5, a suburb
 */
export function endClutterDb(frequencyMHz: number, heightM: number, topM: number): number {
  const over = topM - heightM
  if (!(over > 0)) return 0
  const angleDeg = (Math.atan(over / STREET_M) * 180) / Math.PI
  const nu = 0.342 * Math.sqrt(frequencyMHz / 1000) * Math.sqrt(over * angleDeg)
  const edge = 6.9 + 20 * Math.log10(Math.sqrt((nu - 0.1) ** 2 + 1) + nu - 0.1)
  return Math.max(0, edge - 6.03)
}
