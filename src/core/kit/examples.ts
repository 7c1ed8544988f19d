import type { ConnectorEnd } from './connectors'
import type { NewPart, PartKind, PartOf, SpecByKind } from './part'
import { startSpec } from './partFields'

/** A generic part to start from. */
export interface ExamplePart {
  id: string
  part: NewPart
}

const end = (family: string, gender: 'male' | 'female', reverse = false): ConnectorEnd => ({
  family,
  gender,
  reverse,
})
const [SMA_M, SMA_F, N_M, N_F, UHF_M, UHF_F, BNC_M, BNC_F] = [
  end('SMA', 'male'), end('SMA', 'female'), end('N', 'male'), end('N', 'female'), end('UHF', 'male'),
  end('UHF', 'female'), end('BNC', 'male'), end('BNC', 'female'),
] // prettier-ignore

function example<K extends PartKind>(
  id: string,
  kind: K,
  name: string,
  spec: Partial<SpecByKind[K]>,
  more: Partial<Omit<PartOf<K>, 'id' | 'kind' | 'name' | 'spec'>> = {},
): ExamplePart {
  const part = { kind, name, spec: { ...startSpec(kind), ...spec }, owned: 1, weightG: null, wornMm: null, price: null, note: '', ...more } // prettier-ignore
  return { id, part: part as unknown as NewPart }
}

const UHF_BAND = [{ fromMHz: 440, toMHz: 480 }]
const VHF_BAND = [{ fromMHz: 144, toMHz: 148 }]
/** An SWR curve of a plain quarter-wave kind: best in the middle, 2 at the edges. */
const curve = (low: number, middle: number, high: number, best = 1.2, edge = 2) => [
  { frequencyMHz: low, swr: edge },
  { frequencyMHz: middle, swr: best },
  { frequencyMHz: high, swr: edge },
]

/** Generic kinds, with typical figures. None is anybody's product. */
export const EXAMPLE_PARTS: readonly ExamplePart[] = [
  example('handheld-uhf', 'radio', 'Handheld UHF, 2 W', { use: 'handheld', bands: UHF_BAND, powers: [{ name: 'high', powerW: 2 }, { name: 'low', powerW: 0.5 }], connector: SMA_F, sensitivity: 0.25, bandwidthKHz: 11, swrLimit: 3, batteryAh: 1.8, batteryV: 7.4, standbyA: 0.06, receiveA: 0.18, transmitA: 1.1 }, { owned: 4, weightG: 260 }),
  example('handheld-vhf', 'radio', 'Handheld VHF, 5 W', { use: 'handheld', bands: VHF_BAND, powers: [{ name: 'high', powerW: 5 }, { name: 'low', powerW: 1 }, { name: 'eco', powerW: null }], connector: end('SMA', 'male'), sensitivity: 0.2, bandwidthKHz: 11, swrLimit: 3, batteryAh: 2, batteryV: 7.4, standbyA: 0.06, receiveA: 0.2, transmitA: 1.6 }, { owned: 2, weightG: 270 }),
  example('handheld-fixed', 'radio', 'Licence-free handheld, fixed antenna', { use: 'handheld', bands: [{ fromMHz: 446, toMHz: 446.2 }], powers: [{ name: 'full', powerW: 0.5 }], connector: null, antennaFixed: true, sensitivity: 0.28, bandwidthKHz: 11, batteryAh: 1.1, batteryV: 3.7, standbyA: 0.05, receiveA: 0.16, transmitA: 0.6 }, { owned: 2, weightG: 190 }),
  example('mobile-uhf', 'radio', 'Mobile UHF, 25 W', { use: 'mobile', bands: UHF_BAND, powers: [{ name: 'high', powerW: 25 }, { name: 'middle', powerW: 10 }, { name: 'low', powerW: 5 }], connector: UHF_F, sensitivity: 0.22, bandwidthKHz: 11, swrLimit: 2.5, standbyA: 0.35, receiveA: 0.6, transmitA: 6 }, { weightG: 1100 }),
  example('desk-uhf', 'radio', 'Desk radio UHF, 25 W', { use: 'desk', bands: UHF_BAND, powers: [{ name: 'high', powerW: 25 }, { name: 'low', powerW: 5 }], connector: N_F, sensitivity: 0.22, bandwidthKHz: 11, swrLimit: 2.5, standbyA: 0.4, receiveA: 0.7, transmitA: 6.5 }, { weightG: 3200 }),
  example('data-two', 'radio', 'Data radio with two ports, 1 W', { use: 'data', bands: [{ fromMHz: 902, toMHz: 928 }], powers: [{ name: 'full', powerW: 1 }, { name: 'reduced', powerW: 0.1 }], connector: end('SMA', 'female', true), secondConnector: end('SMA', 'female', true), sensitivity: -105, sensitivityUnit: 'dBm', bandwidthKHz: 500, modes: 'data', standbyA: 0.2, receiveA: 0.25, transmitA: 0.9 }, { owned: 2, weightG: 310 }),

  example('stub', 'antenna', 'Stub whip, 8 cm', { form: 'helical whip', bands: UHF_BAND, claimedGain: { value: 0, reference: null }, lengthM: 0.08, connector: SMA_M, ratingW: 10, needs: 'counterpoise', swr: curve(450, 460, 470, 1.5, 2.2) }, { owned: 4, weightG: 14, wornMm: 80 }),
  example('long-whip', 'antenna', 'Long whip, 40 cm', { form: 'whip', bands: UHF_BAND, claimedGain: { value: 2.5, reference: 'dBi' }, lengthM: 0.4, connector: SMA_M, ratingW: 10, needs: 'counterpoise', swr: curve(445, 460, 475, 1.3) }, { owned: 4, weightG: 32, wornMm: 400 }),
  example('roof-quarter', 'antenna', 'Roof quarter-wave, 16 cm', { form: 'whip', bands: UHF_BAND, claimedGain: { value: 0, reference: 'dBd' }, lengthM: 0.16, connector: end('stud-M6', 'male'), ratingW: 60, needs: 'ground plane', swr: curve(440, 460, 480, 1.15, 1.7) }, { weightG: 60 }),
  example('collinear', 'antenna', 'Collinear for a mast, 1.2 m', { form: 'collinear', bands: [{ fromMHz: 450, toMHz: 470 }], gain: { value: 3.05, reference: 'dBd' }, claimedGain: { value: 6, reference: 'dBd' }, lengthM: 1.2, connector: N_F, ratingW: 100, needs: 'nothing', swr: curve(450, 460, 470, 1.2, 1.6) }, { weightG: 900 }),
  example('telescopic', 'antenna', 'Telescopic whip, drawn out', { form: 'telescopic whip', bands: VHF_BAND, claimedGain: { value: 3, reference: null }, lengthM: 0.52, connector: BNC_M, ratingW: 25, needs: 'counterpoise', setBy: 'drawn out', settingUnit: 'mm', settings: [{ setting: 505, frequencyMHz: 144 }, { setting: 498, frequencyMHz: 146 }, { setting: 491, frequencyMHz: 148 }] }, { weightG: 45, wornMm: 500 }),
  example('vhf-rubber', 'antenna', 'Short whip VHF', { form: 'helical whip', bands: VHF_BAND, lengthM: 0.17, connector: end('SMA', 'female'), ratingW: 10, needs: 'counterpoise', swr: curve(144, 146, 148, 1.6, 2.4) }, { owned: 2, weightG: 24, wornMm: 170 }),
  example('beam', 'antenna', 'Small beam, five elements', { form: 'beam', bands: UHF_BAND, claimedGain: { value: 9, reference: 'dBd' }, lengthM: 0.8, connector: N_F, ratingW: 100, pattern: [[0, 0], [15, -0.8], [30, -3], [45, -7], [60, -12], [90, -18], [120, -16], [150, -15], [180, -14]].map(([angleDeg, db]) => ({ angleDeg: angleDeg!, db: db! })), swr: curve(445, 460, 475, 1.2, 1.8) }, { weightG: 700 }),
  example('dipole', 'antenna', 'Wire dipole for 40 m', { form: 'dipole', bands: [{ fromMHz: 7, toMHz: 7.2 }], gain: { value: 0, reference: 'dBd' }, polarisation: 'horizontal', lengthM: 20.1, connector: UHF_F, ratingW: 400, swr: curve(7, 7.1, 7.2, 1.3, 1.8) }, { weightG: 800 }),
  example('data-whip', 'antenna', 'Data whip, 20 cm', { form: 'whip', bands: [{ fromMHz: 900, toMHz: 930 }], claimedGain: { value: 5, reference: 'dBi' }, lengthM: 0.2, connector: end('SMA', 'male', true), ratingW: 5, swr: curve(902, 915, 928, 1.3, 1.8) }, { owned: 2, weightG: 40 }),

  example('lead-10-20', 'lead', 'Mast lead, 20 m low-loss 10 mm', { line: 'low-10', lengthM: 20, a: N_M, b: N_M, maxMHz: 3000, ratingW: 500 }, { weightG: 3000 }),
  example('lead-10-12', 'lead', 'Mast lead, 12 m low-loss 10 mm', { line: 'low-10', lengthM: 12, a: N_M, b: N_M, maxMHz: 3000, ratingW: 500 }, { weightG: 1800 }),
  example('lead-5-20', 'lead', 'Old lead, 20 m of 5 mm coax', { line: 'coax-5', lengthM: 20, a: UHF_M, b: UHF_M, maxMHz: 500, ratingW: 150 }, { weightG: 750 }),
  example('car-lead', 'lead', 'Car lead, 4 m of 5 mm coax', { line: 'coax-5', lengthM: 4, a: UHF_M, b: end('stud-M6', 'female'), maxMHz: 1000, ratingW: 100 }, { weightG: 150 }),
  example('thin-lead', 'lead', 'Thin lead, 1 m of 2.5 mm coax', { line: 'coax-2.5', lengthM: 1, a: SMA_M, b: SMA_F, maxMHz: 1000, ratingW: 20 }, { weightG: 15 }),

  example('n-uhf', 'adapter', 'Adapter, N female to UHF male', { a: N_F, b: UHF_M }, { weightG: 40 }),
  example('n-uhf-2', 'adapter', 'Adapter, N male to UHF female', { a: N_M, b: UHF_F }, { weightG: 40 }),
  example('sma-bnc', 'adapter', 'Adapter, SMA male to BNC female', { a: SMA_M, b: BNC_F }, { weightG: 10 }),
  example('sma-n', 'adapter', 'Adapter, SMA male to N female', { a: SMA_M, b: N_F }, { weightG: 30 }),
  example('sma-gender', 'adapter', 'Adapter, SMA female to SMA female', { a: SMA_F, b: SMA_F }, { weightG: 6 }),
  example('sma-male', 'adapter', 'Adapter, SMA male to SMA male', { a: SMA_M, b: SMA_M }, { weightG: 6 }),

  example('att-10', 'attenuator', 'Attenuator 10 dB, 2 W', { db: 10, ratingW: 2, shieldingDb: 60, a: SMA_M, b: SMA_F }, { weightG: 12 }),
  example('att-6', 'attenuator', 'Attenuator 6 dB, 2 W', { db: 6, ratingW: 2, shieldingDb: 60, a: SMA_M, b: SMA_F }, { weightG: 12 }),
  example('att-20', 'attenuator', 'Attenuator 20 dB, 50 W', { db: 20, ratingW: 50, shieldingDb: 80, a: N_M, b: N_F }, { weightG: 400 }),
  example('surge', 'protector', 'Surge protector, N', { lossDb: 0.2, bands: [{ fromMHz: 1, toMHz: 1000 }], ratingW: 200, a: N_F, b: N_M }, { weightG: 120 }),
  example('coax-switch', 'switch', 'Coax switch, two ways', { lossDb: 0.2, bands: [{ fromMHz: 1, toMHz: 600 }], ratingW: 200, isolationDb: 50, a: N_F, b: N_F }, { weightG: 300 }),
  example('choke', 'choke', 'Clip-on choke', { lossDb: 0, bands: [{ fromMHz: 1, toMHz: 500 }] }, { owned: 2, weightG: 60 }),
  example('transformer', 'transformer', 'Transformer 49:1 for an end-fed wire', { lossDb: 0.5, bands: [{ fromMHz: 3.5, toMHz: 30 }], ratingW: 100, ratio: '49:1', a: UHF_F, b: end('post', 'female') }, { weightG: 250 }),
  example('radials', 'radials', 'Four radials for UHF', { count: 4, lengthM: 0.165 }, { weightG: 80 }),
  example('feeder', 'power feeder', 'Power over a data cable, 24 V', {}, { weightG: 200 }),

  example('in-hand', 'mount', 'In the hand, before the face', { place: 'hand', bodyLossDb: 2 }),
  example('at-chest', 'mount', 'At the chest, upright', { place: 'chest', bodyLossDb: 4 }),
  example('in-pocket', 'mount', 'In the jacket pocket', { place: 'chest', bodyLossDb: 6 }),
  example('in-car', 'mount', 'In the hand, inside the car', { place: 'inside a car', bodyLossDb: 8 }),
  example('magnet', 'mount', 'Magnetic mount on the roof', { place: 'car roof', metal: true }, { weightG: 500 }),
  example('clamp', 'mount', 'Mast clamp, 30 to 50 mm', { place: 'clamp', tubeFromMm: 30, tubeToMm: 50 }, { weightG: 600 }),
  example('mast-8', 'mast', 'Push-up mast, 4 to 8 m', { lowestM: 4, highestM: 8, tubeMm: 40 }, { weightG: 9000 }),
  example('battery-12', 'battery', 'Battery 12 V, 20 Ah', { capacityAh: 20, volts: 12.8, chemistry: 'lithium iron phosphate' }, { weightG: 2600 }),
  example('analyser', 'other', 'Antenna analyser with its calibration set', { use: 'check sweeps before and after' }, { weightG: 350 }),
] // prettier-ignore
