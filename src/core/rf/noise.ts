import { DIPOLE_DBI } from './gainReference'

/** Surroundings by ITU-R P.372's man-made noise: Fa = c - d lg f. */
export const SURROUNDINGS = {
  city: { c: 76.8, d: 27.7 },
  residential: { c: 72.5, d: 27.7 },
  rural: { c: 67.2, d: 27.7 },
  'quiet rural': { c: 53.6, d: 28.6 },
} as const
export type Surroundings = keyof typeof SURROUNDINGS

/**
 * Man-made noise over thermal, Fa in dB, never below 0. ITU-R P.372, valid from 0.3 to 250 MHz (quiet rural not for
 * VHF); beyond, extrapolated, and the caller is to say so.
 * @param frequencyMHz above 0
 * @example manMadeNoiseDb('rural', 155) // 6.53
 */
export function manMadeNoiseDb(surroundings: Surroundings, frequencyMHz: number): number {
  const { c, d } = SURROUNDINGS[surroundings]
  return Math.max(0, c - d * Math.log10(frequencyMHz))
}

/**
 * Noise floor at the receiver, dBm: -174 + 10 lg B + 10 lg((Fa - 1)/l + F), powers added; l the loss of the lead as a
 * ratio, so that with no lead it is Fa + F - 1.
 * @param at.bandwidthHz above 0
 * @param at.externalDb Fa, dB
 * @param at.noiseFigureDb F, dB
 * @param at.leadLossDb between antenna and receiver, dB
 * @example noiseFloorDbm({ bandwidthHz: 11000, externalDb: 6.53, noiseFigureDb: 8, leadLossDb: 0 }) // -123.7
 */
export function noiseFloorDbm(at: {
  bandwidthHz: number
  externalDb: number
  noiseFigureDb: number
  leadLossDb: number
}): number {
  const ratio = (db: number) => 10 ** (db / 10)
  const noise = (ratio(at.externalDb) - 1) / ratio(at.leadLossDb) + ratio(at.noiseFigureDb)
  return -174 + 10 * Math.log10(at.bandwidthHz) + 10 * Math.log10(noise)
}

/**
 * What an antenna loses in itself, dB: what it lacks of a half-wave dipole. It weakens noise from outside as it weakens
 * the signal; one that gathers from one side loses nothing by that.
 */
export const antennaOwnLossDb = (gainDbi: number): number => Math.max(0, DIPOLE_DBI - gainDbi)

/**
 * By how much noise from outside raises what a receiver needs at its connector, dB.
 * @param at.externalDb Fa, dB
 * @param at.lossDb between the sky and the connector: antenna, body, lead, attenuator, dB
 */
export function raisedByNoiseDb(at: {
  bandwidthHz: number
  externalDb: number
  noiseFigureDb: number
  lossDb: number
}): number {
  const floor = (externalDb: number) => noiseFloorDbm({ ...at, externalDb, leadLossDb: at.lossDb })
  return floor(at.externalDb) - floor(0)
}

/**
 * Effective noise figure of a receiver from its sensitivity: what is left of it over -174 + 10 lg B + the
 * carrier-to-noise ratio that this sensitivity stands for (about 7 to 10 dB for 12 dB SINAD in narrow FM), at
 * least 0 dB.
 */
export function noiseFigureDb(at: {
  sensitivityDbm: number
  bandwidthHz: number
  carrierToNoiseDb: number
}): number {
  return Math.max(0, at.sensitivityDbm + 174 - 10 * Math.log10(at.bandwidthHz) - at.carrierToNoiseDb)
}
