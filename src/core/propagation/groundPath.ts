import { AVERAGE_GROUND, SEA } from './effectiveHeight'
import { effectiveRadiusKm, USUAL_K } from './horizon'
import type { DiffractionPath } from './p526'

/** What diffraction over ground as grids know it takes: average land, and sea where the ground is at exactly 0 m. */
export const groundPath = (frequencyMHz: number, vertical: boolean, k = USUAL_K): DiffractionPath => ({
  frequencyMHz,
  polarisation: vertical ? 'vertical' : 'horizontal',
  ground: AVERAGE_GROUND,
  sea: SEA,
  radiusKm: effectiveRadiusKm(k),
})
