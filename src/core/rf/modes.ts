import { noiseFigureDb, raisedByNoiseDb } from './noise'

/** What it takes to receive a mode: what a stated sensitivity of it stands for. */
export interface Mode {
  /** Of the receiver, where the rig does not say it, kHz. */
  bandwidthKHz: number
  /** Carrier over noise in that bandwidth at which sensitivity is stated, dB. */
  carrierToNoiseDb: number
  /** What that is: the copy that a sensitivity is stated for. */
  statedFor: string
}

/**
 * By mode. FM: 12 dB SINAD needs 7 to 10 dB. SSB and telegraphy: 10 dB of signal over noise, the same before and
 * behind the detector. AM at 30 %: the same 10 dB, and 10.5 dB more for the carrier that carries nothing (m² of it is
 * signal). Four-level digital voice: some 11 dB for 5 % of bits in error. Data: the first step of most, some 10 dB.
 */
export const MODES = {
  FM: { bandwidthKHz: 11, carrierToNoiseDb: 8, statedFor: '12 dB SINAD' },
  AM: { bandwidthKHz: 6, carrierToNoiseDb: 20.5, statedFor: '10 dB signal over noise' },
  SSB: { bandwidthKHz: 2.4, carrierToNoiseDb: 10, statedFor: '10 dB signal over noise' },
  CW: { bandwidthKHz: 0.5, carrierToNoiseDb: 10, statedFor: '10 dB signal over noise' },
  'digital voice': { bandwidthKHz: 8, carrierToNoiseDb: 11, statedFor: '5 % of bits in error' },
  data: { bandwidthKHz: 125, carrierToNoiseDb: 10, statedFor: 'the lowest rate' },
} as const satisfies Record<string, Mode>

const WORDS: [RegExp, keyof typeof MODES][] = [
  [/ssb|usb|lsb|side ?band/i, 'SSB'],
  [/\bcw\b|morse|telegraph/i, 'CW'],
  [/\bdata\b|packet|modem|telemetry/i, 'data'],
  [/digital|4fsk/i, 'digital voice'],
  [/\bam\b/i, 'AM'],
]

/** The mode that a rig's own words mean; narrow FM where they say nothing known. */
export function modeOf(words: string | null | undefined): Mode {
  return MODES[WORDS.find(([word]) => word.test(words ?? ''))?.[1] ?? 'FM']
}

/** Of a receiver of which nobody knows better: with it 0.25 µV across 50 ohm in narrow FM, dB. */
const USUAL_NOISE_FIGURE_DB = 6.6

/**
 * Sensitivity of a receiver of which it is not known, dBm: -174 + 10 lg B + C/N + noise figure.
 * @param bandwidthHz above 0
 * @example usualSensitivityDbm(MODES.FM, 11_000) // -119.0
 */
export const usualSensitivityDbm = ({ carrierToNoiseDb }: Mode, bandwidthHz: number): number =>
  -174 + 10 * Math.log10(bandwidthHz) + carrierToNoiseDb + USUAL_NOISE_FIGURE_DB

/**
 * By how much noise from outside raises what a receiver of a mode needs at its connector, dB, given its sensitivity.
 * @param at.externalDb Fa, dB @param at.lossDb between the sky and the connector, dB
 */
export function raisedOutsideDb(
  { carrierToNoiseDb }: Mode,
  at: { sensitivityDbm: number; bandwidthHz: number; externalDb: number; lossDb: number },
): number {
  return raisedByNoiseDb({ ...at, noiseFigureDb: noiseFigureDb({ ...at, carrierToNoiseDb }) })
}
