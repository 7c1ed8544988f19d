import { direct, type Place } from '@/core/geo'
import type { SimulatedField } from '@/core/sim'
import { addSite, type ChosenService, type Db } from '@/data'
import { makeRun } from './runs'
import { HARBOUR, makeTrial } from './trials'

/** From the harbour: where a relay box could stand, and a second desk. */
const SITES: [name: string, role: 'relay' | 'candidate', bearing: number, m: number][] = [
  ['The Saddle', 'relay', 46, 4860],
  ['North Top', 'relay', 33, 4440],
  ['East quay', 'candidate', 78, 7700],
]

/** Whether the relay is worth carrying up, and where to: the course behind the ridge, walked once with the whip. */
export function seedRelay(
  db: Db,
  rigs: Map<string, string>,
  service: ChosenService,
  field: SimulatedField,
): void {
  for (const [name, role, bearing, m] of SITES) addSite(db, name, placeAt(bearing, m), role)
  const trialId = makeTrial(db, service, {
    name: 'A relay on the hill',
    question: 'Is the relay worth carrying up, and does it go on the Saddle or on North Top?',
    legs: [{ name: 'Round by the valley', prefix: 'V', bearings: [88, 34], spacingM: 560, marks: 13 }],
    links: [[rigs.get('H')!, rigs.get('B')!]],
    sameAs: ['Same desk radio, mast and collinear', 'Same marshal, same handheld'],
    surroundings: 'mixed',
    orderSeed: 41,
    kind: 'site',
  })
  makeRun(db, trialId, {
    name: 'Valley, late March',
    startedAt: '2026-03-29T09:05:00Z',
    field,
    upTo: 1,
    end: { state: 'finished', reason: '' },
    note: 'Dry, light wind',
  })
}

const placeAt = (bearing: number, m: number): Place => {
  const { lat, lon } = direct(HARBOUR, bearing, m)
  return { lat: Number(lat.toFixed(6)), lon: Number(lon.toFixed(6)) }
}
