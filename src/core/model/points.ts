import type { Mode } from './mode'
import type { Spreads } from './priors'

/** A point of the spreads with the field's mode there. */
export interface FieldPoint {
  theta: Float64Array
  spreads: Spreads
  mode: Mode
}

/** Spreads that draws were made at, and each listener's cuts at the field's mode there. */
export interface FitPoint {
  theta: Float64Array
  spreads: Spreads
  cuts: Float64Array[]
  /** Its share of the posterior, and Laplace's evidence there. */
  weight: number
  evidence: number
}

/** One draw of everything, as likely as every other. */
export interface Draw {
  /** Which of the fit's points it was made at. */
  point: number
  /** The field: own, ground, shared. */
  x: Float64Array
}
