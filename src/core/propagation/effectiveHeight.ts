/** What the wave meets at the ground. */
export interface GroundKind {
  /** Relative permittivity. */
  epsilonR: number
  /** Conductivity, S/m. */
  sigmaSm: number
}

/** Average land. */
export const AVERAGE_GROUND: GroundKind = { epsilonR: 22, sigmaSm: 0.003 }
/** The sea, as ITU-R P.526 and P.1812 take it. */
export const SEA: GroundKind = { epsilonR: 80, sigmaSm: 5 }

/**
 * Height that plane earth counts for a vertically polarised antenna near the ground, m: √(h² + h0²),
 * h0 = (λ/2π)·|εc/√(εc - 1)|, εc = εr - j 18000 σ/f.
 * @param heightM above 0
 */
export function verticalHeightM(
  heightM: number,
  frequencyMHz: number,
  ground: GroundKind = AVERAGE_GROUND,
): number {
  const x = (18000 * ground.sigmaSm) / frequencyMHz
  const size = Math.hypot(ground.epsilonR, x)
  const root = Math.sqrt(Math.hypot(ground.epsilonR - 1, x))
  const h0 = (299.792458 / frequencyMHz / (2 * Math.PI)) * (size / root)
  return Math.hypot(heightM, h0)
}
