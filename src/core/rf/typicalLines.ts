import type { LineLoss } from './feedLine'

/** A generic kind of feed line. */
export interface TypicalLine extends LineLoss {
  id: string
  name: string
  velocityFactor: number
}

/** Typical lines, dB per 100 m with f in MHz: k1 √f + k2 f. A data sheet's own figures go before these. */
export const TYPICAL_LINES: readonly TypicalLine[] = [
  { id: 'coax-2.5', name: '2.5 mm coax (RG-174)', k1: 2.618, k2: 0.0282, velocityFactor: 0.66 },
  { id: 'coax-5', name: '5 mm coax (RG-58)', k1: 1.389, k2: 0.0221, velocityFactor: 0.66 },
  { id: 'foam-6', name: '6 mm foam coax (RG-8X)', k1: 0.955, k2: 0.0065, velocityFactor: 0.8 },
  { id: 'coax-10', name: '10 mm coax (RG-213)', k1: 0.553, k2: 0.0087, velocityFactor: 0.66 },
  { id: 'low-5', name: '5 mm low-loss foam', k1: 1.05, k2: 0.0012, velocityFactor: 0.83 },
  { id: 'low-6', name: '6 mm low-loss foam', k1: 0.8, k2: 0.0011, velocityFactor: 0.84 },
  { id: 'low-10', name: '10 mm low-loss foam', k1: 0.4, k2: 0.0009, velocityFactor: 0.85 },
  { id: 'low-15', name: '15 mm low-loss foam', k1: 0.25, k2: 0.0009, velocityFactor: 0.87 },
  { id: 'corrugated-12', name: '12 mm corrugated', k1: 0.21, k2: 0.0007, velocityFactor: 0.88 },
]
