import { ORDINARY_FIELD, type SimulatedField } from '@/core/sim'
import type { Db } from '@/data'
import { trial } from '@/data/schema'
import { seedAntennaMode } from './antennaMode'
import { seedBench } from './bench'
import { seedByEar } from './byEar'
import { seedEdges } from './edges'
import { seedGround } from './ground'
import { seedKit } from './kit'
import { seedOnePlace } from './onePlace'
import { seedRelay } from './relay'
import { makeRun } from './runs'
import { seedShortWave } from './shortWave'
import { HARBOUR, makeTrial, type LegSeed, type TrialSeed } from './trials'

/**
 * What stands about the ends and in the gullies, beyond what the ground itself costs. No prediction knows of it, on
 * purpose: before the log Reach is far too hopeful here, after it, corrected, it fits.
 */
const HILLY = { groundLossDb: 24, extraSlopeDb: 16 }

const SHORE: LegSeed = { name: 'Shore road', prefix: 'S', bearings: [128, 84], spacingM: 400, marks: 14 }
const TOP: LegSeed = { name: 'Over the top', prefix: 'T', bearings: [28, 48], spacingM: 420, marks: 14 }
const QUAY: LegSeed = { name: 'Quay and village', prefix: 'Q', bearings: [140, 118], spacingM: 550, marks: 9 }
const LANE: LegSeed = { name: 'Mill lane', prefix: 'M', bearings: [62, 36], spacingM: 430, marks: 12 }
const RIDGE: LegSeed = { name: 'North ridge', prefix: 'R', bearings: [12, 40], spacingM: 500, marks: 12 }

/** Fills an empty database with the Ostrey round. Does nothing where there is a trial already. */
export function seedOstrey(db: Db): boolean {
  if (db.select().from(trial).limit(1).get()) return false
  const overGround = seedGround(db, HARBOUR)
  const { ids, service } = seedKit(db)
  seedBench(db, HARBOUR)
  const truth = { A: -5, B: 1, C: 2, D: -3.2, E: -2.4 }
  const gainDbi = Object.fromEntries(Object.entries(truth).map(([l, g]) => [ids.get(l)!, g]))
  const field: Field = (seed, more = {}) => ({
    ...ORDINARY_FIELD,
    ...more,
    seed,
    gainDbi,
    overGround,
  })

  const planned: Planned = ({ links, ...seed }) =>
    makeTrial(db, service, {
      ...seed,
      links: links.map(([base, out]) => [ids.get(base)!, ids.get(out)!] as [string, string]),
    })

  seedAntennaMode(db, ids, service, overGround)
  seedByEar(db, ids, service)
  seedEdges(db, null)
  seedOnePlace(db)
  const steps = planned({
    name: 'Mast first, then the car',
    question: 'What does each step bring: the mast’s upper half, and the car in place of the handheld?',
    legs: [LANE],
    links: [
      ['L', 'B'],
      ['H', 'B'],
      ['H', 'C'],
      ['L', 'C'],
    ],
    sameAs: ['Same desk radio and collinear', 'Same listener at Race Control', 'Car parked, engine off'],
    surroundings: 'mixed',
    plan: { repeats: 2 },
    orderSeed: 23,
  })
  makeRun(db, steps, {
    name: 'Mill lane, May',
    startedAt: '2026-05-02T09:20:00Z',
    field: field(64, HILLY),
    upTo: 1,
    end: { state: 'finished', reason: '' },
    note: 'Dry, sun',
  })
  seedShortWave(db)
  seedRelay(db, ids, service, field(37, HILLY))

  const mast = planned({
    name: 'Four or eight metres of mast',
    question: 'Does the upper half of the harbour mast earn the trouble of raising it?',
    legs: [RIDGE],
    links: [
      ['L', 'B'],
      ['H', 'B'],
    ],
    sameAs: ['Same desk radio and power', 'Same collinear and lead', 'Same marshal, same handheld'],
    surroundings: 'mixed',
    orderSeed: 31,
  })
  makeRun(db, mast, {
    name: 'Ridge, Sunday',
    startedAt: '2026-04-19T08:40:00Z',
    field: field(53, HILLY),
    upTo: 0.46,
    end: null,
    note: 'Dry, light wind',
  })

  const pocket = planned({
    name: 'Jacket pocket or hand',
    question: 'Does it matter whether marshals carry the handheld in the jacket pocket or in the hand?',
    legs: [QUAY],
    links: [
      ['H', 'D'],
      ['H', 'E'],
    ],
    sameAs: ['Same handheld and antenna', 'Same battery', 'Facing away from the harbour'],
    surroundings: 'cluttered',
    orderSeed: 17,
  })
  makeRun(db, pocket, {
    name: 'Village, Saturday',
    startedAt: '2026-04-11T09:15:00Z',
    field: field(11, { ...HILLY, linkDb: 3 }),
    upTo: 1,
    end: { state: 'finished', reason: '' },
    note: 'Rain later',
  })

  seedWhips(db, planned, field)
  return true
}

type Planned = (seed: Omit<TrialSeed, 'links'> & { links: [string, string][] }) => string
type Field = (seed: number, more?: Partial<SimulatedField>) => SimulatedField

/** The question of the demo: one run void, one half done on another day, one whole. */
function seedWhips(db: Db, planned: Planned, field: Field): void {
  const whips = planned({
    name: 'Short or long antenna',
    question: 'Which antenna should the marshals carry, and how far does each reach Race Control?',
    legs: [SHORE, TOP],
    links: [
      ['H', 'A'],
      ['H', 'B'],
      ['H', 'C'],
    ],
    sameAs: ['Same handheld for both whips', 'Same listener at Race Control', 'Held upright at the chest'],
    surroundings: 'mixed',
    orderSeed: 5,
  })
  makeRun(db, whips, {
    name: 'First try, March',
    startedAt: '2026-03-21T10:05:00Z',
    field: field(71, { ...HILLY, groundLossDb: 26 }),
    upTo: 0.22,
    end: { state: 'voided', reason: 'The antenna plug at Race Control was found loose afterwards' },
    note: 'Cold, wind from the north-west',
  })
  makeRun(db, whips, {
    name: 'Half round, end of March',
    startedAt: '2026-03-28T09:30:00Z',
    field: field(88, { ...HILLY, groundLossDb: 27 }),
    upTo: 0.6,
    end: { state: 'finished', reason: '' },
    note: 'Wet gorse, drizzle',
  })
  makeRun(db, whips, {
    name: 'Whole round, April',
    startedAt: '2026-04-04T08:10:00Z',
    field: field(42, HILLY),
    upTo: 1,
    end: { state: 'finished', reason: '' },
    note: 'Dry, 9 °C, light wind',
  })
}
