import { CHEMISTRIES } from './endurance'
import { TYPICAL_LINES } from '@/core/rf/typicalLines'
import type { PartKind, SpecByKind } from './part'

/** What a field of a part holds, and within which bounds. */
export type FieldType =
  | { type: 'number'; unit?: string; min?: number; above?: number; max?: number; needed?: boolean }
  | { type: 'text' }
  | { type: 'choice'; options: readonly { value: string | null; label: string }[] }
  | { type: 'flag' }
  | { type: 'connector'; needed: boolean }
  | { type: 'bands' }
  | { type: 'powers' }
  | { type: 'gain'; needsReference: boolean }
  | { type: 'pairs'; x: string; y: string; leastY?: number; aboveY?: number; example: string }

/** One field of a part: what the form shows, what the border checks. */
export type PartField = FieldType & { name: string; label: string; help?: string; start: unknown }

const choice = (...values: string[]) => values.map((value) => ({ value, label: value }))
const bands: PartField = { name: 'bands', label: 'Made for, MHz', type: 'bands', help: '144 to 146; 430 to 440', start: [] } // prettier-ignore
const rating: PartField = { name: 'ratingW', label: 'Takes at most', type: 'number', unit: 'W', above: 0, max: 100000, start: null } // prettier-ignore
const endA: PartField = { name: 'a', label: 'One end', type: 'connector', needed: true, start: { family: 'SMA', gender: 'male', reverse: false } } // prettier-ignore
const endB: PartField = { ...endA, name: 'b', label: 'Other end' } as PartField
const loss: PartField = { name: 'lossDb', label: 'Loss', type: 'number', unit: 'dB', min: 0, max: 60, needed: true, start: 0.2 } // prettier-ignore
const through: PartField[] = [
  loss,
  bands,
  rating,
  { name: 'a', label: 'One end', type: 'connector', needed: false, start: null, help: 'None: it clips on' },
  { name: 'b', label: 'Other end', type: 'connector', needed: false, start: null },
]
const amps = (name: string, label: string): PartField => ({ name, label, type: 'number', unit: 'A', min: 0, max: 200, start: null }) // prettier-ignore

/** The fields of each kind of part. The form, the border and the tests all read this table. */
export const PART_FIELDS: { [K in PartKind]: (PartField & { name: keyof SpecByKind[K] })[] } = {
  radio: [
    { name: 'use', label: 'Use', type: 'choice', options: choice('handheld', 'mobile', 'desk', 'data', 'relay'), start: 'handheld' },
    bands as PartField & { name: 'bands' },
    { name: 'powers', label: 'Power settings, W', type: 'powers', help: 'high 5; low 1; eco ?', start: [] },
    { name: 'connector', label: 'Antenna connector', type: 'connector', needed: false, start: { family: 'SMA', gender: 'female', reverse: false } },
    { name: 'secondConnector', label: 'Second antenna connector', type: 'connector', needed: false, start: null },
    { name: 'antennaFixed', label: 'Its antenna is fixed', type: 'flag', start: false },
    { name: 'fixedGainDbi', label: 'Gain of the fixed antenna', type: 'number', unit: 'dBi', min: -60, max: 30, start: null },
    { name: 'sensitivity', label: 'Sensitivity, 12 dB SINAD', type: 'number', min: -200, max: 1000, start: null },
    { name: 'sensitivityUnit', label: 'given in', type: 'choice', options: choice('µV', 'dBm'), start: 'µV' },
    { name: 'sensitivityAcross', label: 'µV across', type: 'choice', options: [{ value: 'load', label: 'the load (usual)' }, { value: 'EMF', label: 'EMF, open' }], start: 'load' },
    { name: 'bandwidthKHz', label: 'Bandwidth', type: 'number', unit: 'kHz', above: 0, max: 100000, start: null },
    { name: 'modes', label: 'Modes', type: 'text', start: 'FM' },
    { name: 'swrLimit', label: 'Bears an SWR of', type: 'number', min: 1, max: 100, start: null, help: 'Empty: 2.5' },
    { name: 'meter', label: 'Meter: S-units and dBm', type: 'pairs', x: 'units', y: 'dbm', example: '9 -93', start: [], help: 'One reading a line' },
    { name: 'batteryAh', label: 'Battery', type: 'number', unit: 'Ah', above: 0, max: 1000, start: null },
    { name: 'batteryV', label: 'Battery', type: 'number', unit: 'V', above: 0, max: 100, start: null },
    amps('standbyA', 'Draws on standby') as PartField & { name: 'standbyA' },
    amps('receiveA', 'Draws receiving') as PartField & { name: 'receiveA' },
    amps('transmitA', 'Draws transmitting') as PartField & { name: 'transmitA' },
  ],
  antenna: [
    { name: 'form', label: 'Form', type: 'text', help: 'Whip, collinear, dipole, beam, loop', start: 'whip' },
    bands as PartField & { name: 'bands' },
    { name: 'gain', label: 'Gain, measured', type: 'gain', needsReference: true, start: null, help: 'Empty: that is the question' },
    { name: 'claimedGain', label: 'Gain, claimed', type: 'gain', needsReference: false, start: null, help: 'Never taken out of a comparison' },
    { name: 'polarisation', label: 'Polarisation', type: 'choice', options: choice('vertical', 'horizontal', 'slant', 'circular'), start: 'vertical' },
    { name: 'crossPolarDb', label: 'Cross-polar discrimination', type: 'number', unit: 'dB', min: 0, max: 60, start: null },
    { name: 'lengthM', label: 'Length', type: 'number', unit: 'm', above: 0, max: 200, start: null },
    { name: 'connector', label: 'Connector', type: 'connector', needed: true, start: { family: 'SMA', gender: 'male', reverse: false } },
    rating as PartField & { name: 'ratingW' },
    { name: 'needs', label: 'Needs under it', type: 'choice', options: choice('nothing', 'ground plane', 'counterpoise'), start: 'nothing' },
    { name: 'swr', label: 'SWR measured: MHz and SWR', type: 'pairs', x: 'frequencyMHz', y: 'swr', leastY: 1, example: '460 1.4', start: [], help: 'One point a line' },
    { name: 'pattern', label: 'Pattern: degrees and dB', type: 'pairs', x: 'angleDeg', y: 'db', example: '90 -3', start: [], help: 'One point a line, 0 dB at the strongest' },
    { name: 'setBy', label: 'Can be set', type: 'choice', options: [{ value: null, label: 'no' }, ...choice('drawn out', 'trimmed', 'tapped')], start: null },
    { name: 'settingUnit', label: 'Setting in', type: 'text', start: 'mm' },
    { name: 'settings', label: 'Maker’s chart: setting and MHz', type: 'pairs', x: 'setting', y: 'frequencyMHz', aboveY: 0, example: '480 145.5', start: [], help: 'One point a line' },
  ],
  lead: [
    { name: 'line', label: 'Kind of line', type: 'choice', options: TYPICAL_LINES.map((l) => ({ value: l.id, label: l.name })), start: 'coax-5' },
    { name: 'lengthM', label: 'Length', type: 'number', unit: 'm', above: 0, max: 1000, needed: true, start: 5 },
    { ...endA, start: { family: 'N', gender: 'male', reverse: false } } as PartField & { name: 'a' },
    { ...endB, start: { family: 'N', gender: 'male', reverse: false } } as PartField & { name: 'b' },
    { name: 'points', label: 'Data sheet: MHz and dB per 100 m', type: 'pairs', x: 'frequencyMHz', y: 'dbPer100m', aboveY: 0, example: '450 11.8', start: [], help: 'Goes before the kind' },
    { name: 'velocityFactor', label: 'Velocity factor', type: 'number', above: 0, max: 1, start: null },
    { name: 'maxMHz', label: 'Made for up to', type: 'number', unit: 'MHz', above: 0, max: 300000, start: null },
    rating as PartField & { name: 'ratingW' },
  ],
  adapter: [endA as PartField & { name: 'a' }, endB as PartField & { name: 'b' }, { ...loss, needed: false, start: null, help: 'Empty: one good pair' } as PartField & { name: 'lossDb' }],
  attenuator: [
    { name: 'db', label: 'Attenuation', type: 'number', unit: 'dB', above: 0, max: 120, needed: true, start: 10 },
    { ...rating, needed: true, start: 2 } as PartField & { name: 'ratingW' },
    { name: 'shieldingDb', label: 'Leaks round it below', type: 'number', unit: 'dB', above: 0, max: 200, start: null },
    endA as PartField & { name: 'a' },
    endB as PartField & { name: 'b' },
  ],
  protector: through as (PartField & { name: 'lossDb' })[],
  switch: [...(through as (PartField & { name: 'lossDb' })[]), { name: 'isolationDb', label: 'Isolation of the other branch', type: 'number', unit: 'dB', min: 0, max: 120, start: null }],
  choke: through as (PartField & { name: 'lossDb' })[],
  transformer: [...(through as (PartField & { name: 'lossDb' })[]), { name: 'ratio', label: 'Ratio', type: 'text', start: '1:1' }],
  radials: [
    { name: 'count', label: 'How many', type: 'number', above: 0, max: 200, needed: true, start: 4 },
    { name: 'lengthM', label: 'Length of each', type: 'number', unit: 'm', above: 0, max: 200, needed: true, start: 0.17 },
  ],
  'power feeder': [
    { name: 'supplyV', label: 'Supplies', type: 'number', unit: 'V', above: 0, max: 100, needed: true, start: 24 },
    { name: 'cableM', label: 'Cable', type: 'number', unit: 'm', min: 0, max: 200, needed: true, start: 20 },
    { name: 'ohmPerM', label: 'There and back, per metre', type: 'number', unit: 'ohm', min: 0, max: 10, needed: true, start: 0.09 },
    { name: 'drawA', label: 'The device draws', type: 'number', unit: 'A', min: 0, max: 20, needed: true, start: 0.4 },
    { name: 'leastV', label: 'and needs', type: 'number', unit: 'V', above: 0, max: 100, needed: true, start: 12 },
  ],
  mount: [
    { name: 'place', label: 'Where', type: 'choice', options: choice('hand', 'chest', 'belt', 'pack', 'inside a car', 'car roof', 'car edge', 'clamp', 'bracket', 'tripod'), start: 'hand' },
    { name: 'metal', label: 'Metal under the antenna', type: 'flag', start: false },
    { name: 'bodyLossDb', label: 'Body or car takes', type: 'number', unit: 'dB', min: 0, max: 40, start: null, help: 'A few dB; more at the belt' },
    { name: 'tubeFromMm', label: 'Tubes from', type: 'number', unit: 'mm', above: 0, max: 500, start: null },
    { name: 'tubeToMm', label: 'to', type: 'number', unit: 'mm', above: 0, max: 500, start: null },
    { name: 'tiltDeg', label: 'Tilts by', type: 'number', unit: '°', min: -90, max: 90, start: null },
  ],
  mast: [
    { name: 'lowestM', label: 'Lowest', type: 'number', unit: 'm', min: 0, max: 200, needed: true, start: 2 },
    { name: 'highestM', label: 'Highest', type: 'number', unit: 'm', above: 0, max: 200, needed: true, start: 8 },
    { name: 'tubeMm', label: 'Tube at the top', type: 'number', unit: 'mm', above: 0, max: 500, start: null },
  ],
  battery: [
    { name: 'capacityAh', label: 'Capacity', type: 'number', unit: 'Ah', above: 0, max: 10000, needed: true, start: 7 },
    { name: 'volts', label: 'Voltage', type: 'number', unit: 'V', above: 0, max: 100, needed: true, start: 12 },
    { name: 'chemistry', label: 'Kind', type: 'choice', options: choice(...Object.keys(CHEMISTRIES)), start: 'lithium iron phosphate' },
  ],
  other: [{ name: 'use', label: 'What it is for', type: 'text', start: '' }],
} // prettier-ignore

/** A new part's spec as the form begins with it. */
export function startSpec<K extends PartKind>(kind: K): SpecByKind[K] {
  return Object.fromEntries(PART_FIELDS[kind].map((f) => [f.name, f.start])) as unknown as SpecByKind[K]
}
