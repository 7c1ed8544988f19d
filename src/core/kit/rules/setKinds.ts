import type { RigKind } from '../rig/terms'

/** A channel by its number, MHz. */
interface Channel {
  name: string
  mhz: number
}

/** A kind of set with what is usual for it, for whoever knows no figures. All of it can be changed afterwards. */
export interface SetKind {
  name: string
  kind: RigKind
  powerW: number
  antennaHeightM: number
  mode: string
  bandwidthKHz: number
  channels: readonly Channel[]
  /** The antenna is part of the radio. */
  fixedAntenna: boolean
}

const raster = (count: number, firstMHz: number, stepMHz: number, from = 1): Channel[] =>
  Array.from({ length: count }, (_, i) => ({
    name: String(i + from),
    mhz: Number((firstMHz + i * stepMHz).toFixed(5)),
  }))

/** Sixteen channels of 12.5 kHz from 446.00625 MHz: ECC Decision (15)05. */
const FREE_446 = raster(16, 446.00625, 0.0125)
/** Channels 1 to 22 of 47 CFR 95.563: 1 to 7 and 15 to 22 at 462 MHz, 8 to 14 at 467 MHz and weaker. */
const FAMILY = [...raster(7, 462.5625, 0.025), ...raster(8, 462.55, 0.025, 15)]
const FAMILY_WEAK = raster(7, 467.5625, 0.025, 8)
/** Five channels of 47 CFR 95.2763. */
const MULTI_USE = [151.82, 151.88, 151.94, 154.57, 154.6].map((mhz, i) => ({ name: String(i + 1), mhz }))
/** Channels 1 to 20 of the 27 MHz band in their usual steps, which leave out five frequencies. */
const CITIZENS = [
  26.965, 26.975, 26.985, 27.005, 27.015, 27.025, 27.035, 27.055, 27.065, 27.075, 27.085, 27.105, 27.115,
  27.125, 27.135, 27.155, 27.165, 27.175, 27.185, 27.205,
].map((mhz, i) => ({ name: String(i + 1), mhz }))
const one = (mhz: number): Channel[] => [{ name: `${mhz} MHz`, mhz }]

const HANDHELD = {
  kind: 'handheld',
  antennaHeightM: 1.5,
  mode: 'FM',
  bandwidthKHz: 12.5,
  fixedAntenna: false,
} as const
const FREE = { ...HANDHELD, fixedAntenna: true } as const

/** The kinds that ship, with the power, height and bandwidth that are usual for each. */
export const SET_KINDS: readonly SetKind[] = [
  { ...FREE, name: 'Licence-free handheld, 446 MHz', powerW: 0.5, channels: FREE_446 },
  { ...FREE, name: 'Family-channel handheld, 462 MHz', powerW: 2, channels: FAMILY },
  { ...FREE, name: 'Family-channel handheld, 467 MHz', powerW: 0.5, channels: FAMILY_WEAK },
  { ...HANDHELD, name: 'Multi-use handheld, 151 and 154 MHz', powerW: 2, channels: MULTI_USE },
  { ...HANDHELD, name: 'Handheld, 2 m', powerW: 5, channels: one(145.5) },
  { ...HANDHELD, name: 'Handheld, 70 cm', powerW: 5, channels: one(433.5) },
  { ...HANDHELD, name: 'Handheld, event channel', powerW: 4, channels: one(459.8) },
  {
    name: 'Set in a car, 2 m',
    kind: 'mobile',
    powerW: 25,
    antennaHeightM: 1.8,
    mode: 'FM',
    bandwidthKHz: 12.5,
    channels: one(145.5),
    fixedAntenna: false,
  },
  {
    name: 'Set in a car, 27 MHz',
    kind: 'mobile',
    powerW: 4,
    antennaHeightM: 2,
    mode: 'FM',
    bandwidthKHz: 10,
    channels: CITIZENS,
    fixedAntenna: false,
  },
  {
    name: 'Data radio, 868 MHz',
    kind: 'handheld',
    powerW: 0.025,
    antennaHeightM: 1.5,
    mode: 'data',
    bandwidthKHz: 125,
    channels: one(868.1),
    fixedAntenna: false,
  },
  {
    name: 'Short-wave station, 20 m',
    kind: 'mobile',
    powerW: 100,
    antennaHeightM: 10,
    mode: 'SSB',
    bandwidthKHz: 2.7,
    channels: one(14.2),
    fixedAntenna: false,
  },
]
