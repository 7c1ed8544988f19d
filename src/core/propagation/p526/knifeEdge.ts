/**
 * Loss of one knife edge, dB: 6.9 + 20 lg(√((ν - 0.1)² + 1) + ν - 0.1) for ν above -0.78, else 0. Source: ITU-R P.526.
 */
export function knifeEdgeLoss(nu: number): number {
  if (nu <= -0.78) return 0
  return 6.9 + 20 * Math.log10(Math.sqrt((nu - 0.1) * (nu - 0.1) + 1) + nu - 0.1)
}
