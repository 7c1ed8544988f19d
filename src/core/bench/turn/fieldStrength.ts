import { wavelengthM } from '@/core/rf'

/** Across 50 ohm, dB(µV) of 0 dBm: 10 lg(50 · 10⁻³) + 120. */
const DBUV_OF_DBM = 10 * Math.log10(50e-3) + 120
/** dB(µV/m) of 0 dBm/m² in free space: 10 lg(120π · 10⁻³) + 120. */
const DBUV_M_OF_DBM_M2 = 10 * Math.log10(120 * Math.PI * 1e-3) + 120

/** √(480 π²/50): of gain 1 at a wavelength of a metre, 1/m. */
const FACTOR_AT_ONE_METRE = Math.sqrt((480 * Math.PI ** 2) / 50)

/**
 * Antenna factor across 50 ohm, dB(1/m), of a gain: 20 lg(9.73/(λ √g)) (Balanis, Antenna Theory, "antenna factor").
 * @param gainDbi with the antenna's match and polarisation as measured @param frequencyMHz above 0
 * @example antennaFactorDb(435, 2.15) // 20.8
 */
export function antennaFactorDb(frequencyMHz: number, gainDbi: number): number {
  return 20 * Math.log10(FACTOR_AT_ONE_METRE / wavelengthM(frequencyMHz)) - gainDbi
}

/** A reading as the field that makes it. */
export interface FieldStrength {
  /** dB(µV/m). */
  dBuVm: number
  /** dBm/m². */
  dBmM2: number
}

/**
 * Field strength at an antenna of a known factor.
 * @param dbm at the receiver, 50 ohm @param leadDb between antenna and receiver, 0 or more
 */
export function fieldStrength(dbm: number, leadDb: number, factorDb: number): FieldStrength {
  const dBuVm = dbm + leadDb + DBUV_OF_DBM + factorDb
  return { dBuVm, dBmM2: dBuVm - DBUV_M_OF_DBM_M2 }
}
