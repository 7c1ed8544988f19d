/**
 * Loss of one good mated pair of connectors, dB: 0.05 below 500 MHz, 0.1 to 1 GHz, 0.15 above (typical to 3 GHz).
 * @param frequencyMHz above 0
 */
export function connectorPairLossDb(frequencyMHz: number): number {
  if (frequencyMHz < 500) return 0.05
  return frequencyMHz <= 1000 ? 0.1 : 0.15
}
