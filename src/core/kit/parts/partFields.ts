import { TYPICAL_LINES } from '@/core/rf/typicalLines'
import { CHEMISTRIES } from './chemistries'
import type { ConnectorEnd } from './connectors'
import { MOUNT_PLACES, POLARISATIONS, type PartKind, type SpecByKind } from './part'

interface Bounds {
  min?: number
  above?: number
  max?: number
}
interface Option {
  value: string | null
  label: string
}

/** What a field of a part holds, and within which bounds. */
type FieldType =
  | ({ type: 'number'; unit?: string; needed?: boolean } & Bounds)
  | { type: 'text' }
  | { type: 'choice'; options: readonly Option[] }
  | { type: 'flag' }
  | { type: 'connector'; needed: boolean }
  | { type: 'bands' }
  | { type: 'powers' }
  | { type: 'gain'; needsReference: boolean }
  | { type: 'pairs'; x: string; y: string; leastY?: number; aboveY?: number; example: string }

/** One field of a part: what the form shows, what the border checks. */
export type PartField = FieldType & { name: string; label: string; help?: string; start: unknown }
type FieldOf<N> = PartField & { name: N }

interface More {
  help?: string
  start?: unknown
}

const number = <const N extends string>(
  name: N,
  label: string,
  unit: string,
  more: Bounds & More & { needed?: boolean } = {},
): FieldOf<N> => ({ start: null, ...more, name, label, type: 'number', ...(unit ? { unit } : {}) })
const amps = <const N extends string>(name: N, label: string) =>
  number(name, label, 'A', { min: 0, max: 200 })
const words = <const N extends string>(name: N, label: string, more: More = {}): FieldOf<N> => ({
  start: '',
  ...more,
  name,
  label,
  type: 'text',
})
const flag = <const N extends string>(name: N, label: string): FieldOf<N> => ({
  name,
  label,
  type: 'flag',
  start: false,
})
const these = (...values: string[]): Option[] => values.map((value) => ({ value, label: value }))
const choice = <const N extends string>(
  name: N,
  label: string,
  options: readonly Option[],
  start: string | null,
): FieldOf<N> => ({ name, label, type: 'choice', options, start })
const connector = <const N extends string>(
  name: N,
  label: string,
  needed: boolean,
  start: ConnectorEnd | null,
  help?: string,
): FieldOf<N> => ({ name, label, type: 'connector', needed, start, help })
const gain = <const N extends string>(
  name: N,
  label: string,
  needsReference: boolean,
  help: string,
): FieldOf<N> => ({ name, label, type: 'gain', needsReference, start: null, help })
/** @param x, y what the two figures of a point are called where they are stored */
const pairs = <const N extends string>(
  name: N,
  label: string,
  x: string,
  y: string,
  more: { example: string; help: string; leastY?: number; aboveY?: number },
): FieldOf<N> => ({ name, label, type: 'pairs', x, y, start: [], ...more })

const SMA_MALE: ConnectorEnd = { family: 'SMA', gender: 'male', reverse: false }
const BANDS: FieldOf<'bands'> = {
  name: 'bands',
  label: 'Made for, MHz',
  type: 'bands',
  help: '144 to 146; 430 to 440',
  start: [],
}
const RATING = number('ratingW', 'Takes at most', 'W', { above: 0, max: 100000 })
const END_A = connector('a', 'One end', true, SMA_MALE)
const END_B = connector('b', 'Other end', true, SMA_MALE)
const LOSS = number('lossDb', 'Loss', 'dB', { min: 0, max: 60, needed: true, start: 0.2 })
const THROUGH = [
  LOSS,
  BANDS,
  RATING,
  connector('a', 'One end', false, null, 'None: it clips on'),
  connector('b', 'Other end', false, null),
]

/** The fields of each kind of part. The form, the border and the tests all read this table. */
export const PART_FIELDS: { [K in PartKind]: FieldOf<keyof SpecByKind[K]>[] } = {
  radio: [
    choice('use', 'Use', these('handheld', 'mobile', 'desk', 'data', 'relay'), 'handheld'),
    BANDS,
    { name: 'powers', label: 'Power settings, W', type: 'powers', help: 'high 5; low 1; eco ?', start: [] },
    connector('connector', 'Antenna connector', false, { family: 'SMA', gender: 'female', reverse: false }),
    connector('secondConnector', 'Second antenna connector', false, null),
    flag('antennaFixed', 'Its antenna is fixed'),
    number('fixedGainDbi', 'Gain of the fixed antenna', 'dBi', { min: -60, max: 30 }),
    number('sensitivity', 'Sensitivity, 12 dB SINAD', '', { min: -200, max: 1000 }),
    choice('sensitivityUnit', 'given in', these('µV', 'dBm'), 'µV'),
    choice(
      'sensitivityAcross',
      'µV across',
      [
        { value: 'load', label: 'the load (usual)' },
        { value: 'EMF', label: 'EMF, open' },
      ],
      'load',
    ),
    number('bandwidthKHz', 'Bandwidth', 'kHz', { above: 0, max: 100000 }),
    words('modes', 'Modes', { start: 'FM' }),
    number('swrLimit', 'Bears an SWR of', '', { min: 1, max: 100, help: 'Empty: 2.5' }),
    pairs('meter', 'Meter: S-units and dBm', 'units', 'dbm', {
      example: '9 -93',
      help: 'One reading a line',
    }),
    number('batteryAh', 'Battery', 'Ah', { above: 0, max: 1000 }),
    number('batteryV', 'Battery', 'V', { above: 0, max: 100 }),
    amps('standbyA', 'Draws on standby'),
    amps('receiveA', 'Draws receiving'),
    amps('transmitA', 'Draws transmitting'),
  ],
  antenna: [
    words('form', 'Form', { help: 'Whip, collinear, dipole, beam, loop', start: 'whip' }),
    BANDS,
    gain('gain', 'Gain, measured', true, 'Empty: that is the question'),
    gain('claimedGain', 'Gain, claimed', false, 'Never taken out of a comparison'),
    choice('polarisation', 'Polarisation', these(...POLARISATIONS), 'vertical'),
    number('crossPolarDb', 'Cross-polar discrimination', 'dB', { min: 0, max: 60 }),
    number('lengthM', 'Length', 'm', { above: 0, max: 200 }),
    connector('connector', 'Connector', true, { family: 'SMA', gender: 'male', reverse: false }),
    RATING,
    choice('needs', 'Needs under it', these('nothing', 'ground plane', 'counterpoise'), 'nothing'),
    pairs('swr', 'SWR measured: MHz and SWR', 'frequencyMHz', 'swr', {
      example: '460 1.4',
      leastY: 1,
      help: 'One point a line',
    }),
    pairs('pattern', 'Pattern: degrees and dB', 'angleDeg', 'db', {
      example: '90 -3',
      help: 'One point a line, 0 dB at the strongest',
    }),
    choice(
      'setBy',
      'Can be set',
      [{ value: null, label: 'no' }, ...these('drawn out', 'trimmed', 'tapped')],
      null,
    ),
    words('settingUnit', 'Setting in', { start: 'mm' }),
    pairs('settings', 'Maker’s chart: setting and MHz', 'setting', 'frequencyMHz', {
      example: '480 145.5',
      aboveY: 0,
      help: 'One point a line',
    }),
  ],
  lead: [
    choice(
      'line',
      'Kind of line',
      TYPICAL_LINES.map((l) => ({ value: l.id, label: l.name })),
      'coax-5',
    ),
    number('lengthM', 'Length', 'm', { above: 0, max: 1000, needed: true, start: 5 }),
    { ...END_A, start: { family: 'N', gender: 'male', reverse: false } },
    { ...END_B, start: { family: 'N', gender: 'male', reverse: false } },
    pairs('points', 'Data sheet: MHz and dB per 100 m', 'frequencyMHz', 'dbPer100m', {
      example: '450 11.8',
      aboveY: 0,
      help: 'Goes before the kind',
    }),
    number('velocityFactor', 'Velocity factor', '', { above: 0, max: 1 }),
    number('maxMHz', 'Made for up to', 'MHz', { above: 0, max: 300000 }),
    RATING,
  ],
  adapter: [END_A, END_B, number('lossDb', 'Loss', 'dB', { min: 0, max: 60, help: 'Empty: one good pair' })],
  attenuator: [
    number('db', 'Attenuation', 'dB', { above: 0, max: 120, needed: true, start: 10 }),
    number('ratingW', 'Takes at most', 'W', { above: 0, max: 100000, needed: true, start: 2 }),
    number('shieldingDb', 'Leaks round it below', 'dB', { above: 0, max: 200 }),
    END_A,
    END_B,
  ],
  protector: THROUGH,
  switch: [...THROUGH, number('isolationDb', 'Isolation of the other branch', 'dB', { min: 0, max: 120 })],
  choke: THROUGH,
  transformer: [...THROUGH, words('ratio', 'Ratio', { start: '1:1' })],
  radials: [
    number('count', 'How many', '', { above: 0, max: 200, needed: true, start: 4 }),
    number('lengthM', 'Length of each', 'm', { above: 0, max: 200, needed: true, start: 0.17 }),
  ],
  'power feeder': [
    number('supplyV', 'Supplies', 'V', { above: 0, max: 100, needed: true, start: 24 }),
    number('cableM', 'Cable', 'm', { min: 0, max: 200, needed: true, start: 20 }),
    number('ohmPerM', 'There and back, per metre', 'ohm', { min: 0, max: 10, needed: true, start: 0.09 }),
    number('drawA', 'The device draws', 'A', { min: 0, max: 20, needed: true, start: 0.4 }),
    number('leastV', 'and needs', 'V', { above: 0, max: 100, needed: true, start: 12 }),
  ],
  mount: [
    choice('place', 'Where', these(...MOUNT_PLACES), 'hand'),
    flag('metal', 'Metal under the antenna'),
    number('bodyLossDb', 'Body or car takes', 'dB', { min: 0, max: 40, help: 'A few dB; more at the belt' }),
    number('tubeFromMm', 'Tubes from', 'mm', { above: 0, max: 500 }),
    number('tubeToMm', 'to', 'mm', { above: 0, max: 500 }),
    number('tiltDeg', 'Tilts by', '°', { min: -90, max: 90 }),
  ],
  mast: [
    number('lowestM', 'Lowest', 'm', { min: 0, max: 200, needed: true, start: 2 }),
    number('highestM', 'Highest', 'm', { above: 0, max: 200, needed: true, start: 8 }),
    number('tubeMm', 'Tube at the top', 'mm', { above: 0, max: 500 }),
  ],
  battery: [
    number('capacityAh', 'Capacity', 'Ah', { above: 0, max: 10000, needed: true, start: 7 }),
    number('volts', 'Voltage', 'V', { above: 0, max: 100, needed: true, start: 12 }),
    choice('chemistry', 'Kind', these(...Object.keys(CHEMISTRIES)), 'lithium iron phosphate'),
  ],
  other: [words('use', 'What it is for')],
}

/** A new part's spec as the form begins with it. */
export function startSpec<K extends PartKind>(kind: K): SpecByKind[K] {
  return Object.fromEntries(PART_FIELDS[kind].map((f) => [f.name, f.start])) as unknown as SpecByKind[K]
}
