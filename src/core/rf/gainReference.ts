/** A half-wave dipole over an isotropic radiator, dB. */
export const DIPOLE_DBI = 2.15

/** What a gain was measured against. */
export type GainReference = 'dBi' | 'dBd'

/** Gain over an isotropic radiator: dBi = dBd + 2.15. */
export function dbiOf(value: number, reference: GainReference): number {
  return reference === 'dBd' ? value + DIPOLE_DBI : value
}

/** Gain over a half-wave dipole: dBd = dBi - 2.15. */
export function dbdOfDbi(dbi: number): number {
  return dbi - DIPOLE_DBI
}
