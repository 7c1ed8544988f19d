import { dbiOf, type Across, type GainReference, type LinePoint } from '@/core/rf'
import type { MeterPoint } from '@/core/rf/sMeter'
import type { ConnectorEnd } from './connectors'

export interface Band {
  fromMHz: number
  toMHz: number
}

/** A position of a radio's power switch; null where nobody has measured it. */
export interface PowerSetting {
  name: string
  powerW: number | null
}

/** A gain as it is printed; without a reference it says nothing. */
export interface StatedGain {
  value: number
  reference: GainReference | null
}

export interface SwrPoint {
  frequencyMHz: number
  swr: number
}

/** Maker's chart of a setting against the frequency at which the antenna is then right. */
interface SettingPoint {
  setting: number
  frequencyMHz: number
}

export interface PatternPoint {
  angleDeg: number
  db: number
}

export const POLARISATIONS = ['vertical', 'horizontal', 'slant', 'circular'] as const
export type Polarisation = (typeof POLARISATIONS)[number]
type GroundNeed = 'nothing' | 'ground plane' | 'counterpoise'

export interface RadioSpec {
  use: 'handheld' | 'mobile' | 'desk' | 'data' | 'relay'
  bands: Band[]
  powers: PowerSetting[]
  sensitivity: number | null
  sensitivityUnit: 'µV' | 'dBm'
  sensitivityAcross: Across
  bandwidthKHz: number | null
  modes: string
  antennaFixed: boolean
  /** Of a fixed antenna, dBi; null where not known. */
  fixedGainDbi: number | null
  connector: ConnectorEnd | null
  secondConnector: ConnectorEnd | null
  meter: MeterPoint[]
  /** SWR at which its final stage is in danger or folds back. */
  swrLimit: number | null
  batteryAh: number | null
  batteryV: number | null
  standbyA: number | null
  receiveA: number | null
  transmitA: number | null
}

export interface AntennaSpec {
  form: string
  bands: Band[]
  gain: StatedGain | null
  claimedGain: StatedGain | null
  polarisation: Polarisation
  crossPolarDb: number | null
  lengthM: number | null
  connector: ConnectorEnd | null
  ratingW: number | null
  needs: GroundNeed
  swr: SwrPoint[]
  pattern: PatternPoint[]
  /** How it is set, if it can be; null where it cannot. */
  setBy: 'drawn out' | 'trimmed' | 'tapped' | null
  settingUnit: string
  settings: SettingPoint[]
}

export interface LeadSpec {
  line: string
  lengthM: number
  points: LinePoint[]
  velocityFactor: number | null
  maxMHz: number | null
  ratingW: number | null
  a: ConnectorEnd
  b: ConnectorEnd
}

interface AdapterSpec {
  a: ConnectorEnd
  b: ConnectorEnd
  lossDb: number | null
}

interface AttenuatorSpec {
  db: number
  ratingW: number
  shieldingDb: number | null
  a: ConnectorEnd
  b: ConnectorEnd
}

/** Anything else that the signal passes through and that loses a little. */
interface ThroughSpec {
  lossDb: number
  bands: Band[]
  ratingW: number | null
  a: ConnectorEnd | null
  b: ConnectorEnd | null
}

interface SwitchSpec extends ThroughSpec {
  isolationDb: number | null
}
interface TransformerSpec extends ThroughSpec {
  ratio: string
}
interface RadialsSpec {
  count: number
  lengthM: number
}
/** A feeder of power over a data cable. */
interface FeederSpec {
  supplyV: number
  cableM: number
  ohmPerM: number
  drawA: number
  leastV: number
}
export const MOUNT_PLACES = [
  'hand',
  'chest',
  'belt',
  'pack',
  'inside a car',
  'car roof',
  'car edge',
  'clamp',
  'bracket',
  'tripod',
] as const
export type MountPlace = (typeof MOUNT_PLACES)[number]
export interface MountSpec {
  place: MountPlace
  metal: boolean
  bodyLossDb: number | null
  tubeFromMm: number | null
  tubeToMm: number | null
  tiltDeg: number | null
}
interface MastSpec {
  lowestM: number
  highestM: number
  tubeMm: number | null
}
interface BatterySpec {
  capacityAh: number
  volts: number
  chemistry: 'lithium ion' | 'lithium iron phosphate' | 'lead' | 'nickel metal hydride'
}
interface OtherSpec {
  use: string
}

export interface SpecByKind {
  radio: RadioSpec
  antenna: AntennaSpec
  lead: LeadSpec
  adapter: AdapterSpec
  attenuator: AttenuatorSpec
  protector: ThroughSpec
  switch: SwitchSpec
  choke: ThroughSpec
  transformer: TransformerSpec
  radials: RadialsSpec
  'power feeder': FeederSpec
  mount: MountSpec
  mast: MastSpec
  battery: BatterySpec
  other: OtherSpec
}

export type PartKind = keyof SpecByKind

export const PART_KINDS: readonly PartKind[] = [
  'radio',
  'antenna',
  'lead',
  'adapter',
  'attenuator',
  'protector',
  'switch',
  'choke',
  'transformer',
  'radials',
  'power feeder',
  'mount',
  'mast',
  'battery',
  'other',
]

export interface PartOf<K extends PartKind> {
  id: string
  kind: K
  name: string
  spec: SpecByKind[K]
  /** How many are owned. */
  owned: number
  weightG: number | null
  /** How far it sticks out when worn, mm. */
  wornMm: number | null
  price: number | null
  note: string
}

/** One kind of part. Several may be owned; each may be a unit of its own. */
export type Part = { [K in PartKind]: PartOf<K> }[PartKind]

/** A part before it has an id. */
export type NewPart = { [K in PartKind]: Omit<PartOf<K>, 'id'> }[PartKind]

/** Kinds that the signal passes through, between the radio and the sky. */
const CHAIN_KINDS = [
  'lead',
  'adapter',
  'attenuator',
  'protector',
  'switch',
  'choke',
  'transformer',
  'antenna',
] as const
type ChainKind = (typeof CHAIN_KINDS)[number]
export type ChainPart = Extract<Part, { kind: ChainKind }>

export const isChainPart = (part: Part): part is ChainPart =>
  (CHAIN_KINDS as readonly string[]).includes(part.kind)

/** Both ends of a part in the chain; an antenna has one. Null ends clip on and join nothing. */
export function endsOf(part: ChainPart): { a: ConnectorEnd | null; b: ConnectorEnd | null } {
  if (part.kind === 'antenna') return { a: part.spec.connector, b: null }
  return { a: part.spec.a, b: part.spec.b }
}

/** Places where a radio or its antenna is at somebody's body. */
export const AT_BODY: readonly MountPlace[] = ['hand', 'chest', 'belt', 'pack', 'inside a car']

/** "144 to 146 MHz, 430 to 440 MHz". */
export function bandsText(bands: readonly Band[]): string {
  return bands.map((b) => `${b.fromMHz} to ${b.toMHz} MHz`).join(', ')
}

export const inBands = (bands: readonly Band[], frequencyMHz: number) =>
  bands.some((b) => frequencyMHz >= b.fromMHz && frequencyMHz <= b.toMHz)

/** A stated gain in dBi; null where it is not known or has no reference. */
export function statedDbi(gain: StatedGain | null): number | null {
  if (!gain || gain.reference === null) return null
  return dbiOf(gain.value, gain.reference)
}
