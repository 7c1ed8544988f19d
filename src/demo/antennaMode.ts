import { ORDINARY_FIELD, type SimulatedField } from '@/core/sim'
import { openTrial, type ChosenService, type Db } from '@/data'
import { makeRun } from './runs'
import { makeTrial } from './trials'

/** What the digital mode is better by, dB as its reports show it, and the long antenna over the short one. */
const MODE_DB = 3
const ANTENNA_DB = 6

/** Two antennas by two modes: each of them with each. */
export function seedAntennaMode(
  db: Db,
  rigs: Map<string, string>,
  service: ChosenService,
  overGround: SimulatedField['overGround'],
): void {
  const out = ['A', 'B', 'N', 'Z'].map((l) => rigs.get(l)!)
  const trialId = makeTrial(db, service, {
    name: 'Antenna or mode',
    question: 'What brings more for the marshals: the long antenna, or the digital mode?',
    legs: [{ name: 'Peat track', prefix: 'P', bearings: [100, 70], spacingM: 350, marks: 14 }],
    links: out.map((o) => [rigs.get('H')!, o] as [string, string]),
    sameAs: ['Same handheld for all four', 'Same listener at Race Control'],
    surroundings: 'mixed',
    orderSeed: 51,
    kind: 'matrix',
  })
  const { links } = openTrial(db, trialId)!
  makeRun(db, trialId, {
    name: 'Peat track, June',
    startedAt: '2026-06-06T09:00:00Z',
    field: {
      ...ORDINARY_FIELD,
      seed: 23,
      groundLossDb: 24,
      extraSlopeDb: 16,
      // All antennas alike by themselves; what differs is put on the links.
      gainDbi: Object.fromEntries(out.map((id) => [id, 0])),
      linkGainDb: Object.fromEntries(
        links.map((l, i) => [l.id, (i % 2 === 1 ? ANTENNA_DB : 0) + (i >= 2 ? MODE_DB : 0) - 6]),
      ),
      overGround,
    },
    upTo: 1,
    end: { state: 'finished', reason: '' },
    note: 'Dry, light wind',
  })
}
