import { messageOf } from '@/core/outcome'
import { v7 } from 'uuid'
import { direct, type Place } from '@/core/geo'
import { ORDINARY_FIELD, simulateRun, type SimulatedField } from '@/core/sim'
import type { CheckBody, Entry } from '@/core/trial'
import {
  addLegToTrial,
  addTrial,
  appendEntries,
  openTrial,
  placeBase,
  planInputOf,
  planOf,
  savePlan,
  setService,
  startRun,
  type ChosenService,
  type Db,
  type PlanInput,
} from '@/data'
import { trial } from '@/data/schema'
import { seedGround } from './ground'
import { seedKit } from './kit'
import type { RunSeed } from './runSeed'
import { seedShortWave } from './shortWave'

/** The harbour of Ostrey, an invented island in the open Atlantic. */
const HARBOUR: Place = { lat: 47.298807, lon: -29.557697 }
/** What stands about the ends and in the gullies, beyond what the ground itself costs. */
const HILLY = { groundLossDb: 24, extraSlopeDb: 16 }

interface LegSeed {
  name: string
  prefix: string
  /** Bearing at the start and at the end: the way bends. */
  bearings: [number, number]
  spacingM: number
  marks: number
}

const SHORE: LegSeed = { name: 'Shore road', prefix: 'S', bearings: [128, 84], spacingM: 400, marks: 14 }
const TOP: LegSeed = { name: 'Over the top', prefix: 'T', bearings: [28, 48], spacingM: 420, marks: 14 }
const QUAY: LegSeed = { name: 'Quay and village', prefix: 'Q', bearings: [140, 118], spacingM: 550, marks: 9 }
const LANE: LegSeed = { name: 'Mill lane', prefix: 'M', bearings: [62, 36], spacingM: 430, marks: 12 }
const RIDGE: LegSeed = { name: 'North ridge', prefix: 'R', bearings: [12, 40], spacingM: 500, marks: 12 }

function bentTrack(seed: LegSeed): {
  track: Place[]
  marks: { name: string; place: Place; alongM: number }[]
} {
  const track: Place[] = [HARBOUR]
  const marks: { name: string; place: Place; alongM: number }[] = []
  const stepM = seed.spacingM / 5
  const steps = seed.marks * 5
  for (let i = 1; i <= steps; i++) {
    const share = i / steps
    const bearing =
      seed.bearings[0] +
      (seed.bearings[1] - seed.bearings[0]) * share +
      14 * Math.sin(i * 0.7 + seed.spacingM)
    const place = direct(track[track.length - 1]!, bearing, stepM)
    track.push(place)
    if (i % 5 === 0)
      marks.push({ name: `${seed.prefix}${String(i / 5).padStart(2, '0')}`, place, alongM: i * stepM })
  }
  return { track, marks }
}

interface TrialSeed {
  name: string
  question: string
  legs: LegSeed[]
  links: [base: string, out: string][]
  sameAs: string[]
  surroundings: PlanInput['surroundings']
  orderSeed: number
}

function makeTrial(db: Db, rigs: Map<string, string>, service: ChosenService, seed: TrialSeed): string {
  const id = addTrial(db, seed.name, seed.question, seed.orderSeed)
  placeBase(db, id, 'Harbour, Race Control', HARBOUR)
  for (const leg of seed.legs) {
    const { track, marks } = bentTrack(leg)
    addLegToTrial(db, id, { name: leg.name, how: 'track', bearingDeg: null, track, marks })
  }
  const open = openTrial(db, id)!
  const saved = savePlan(db, id, open.trial.revision, {
    ...planInputOf(open),
    sameAs: seed.sameAs,
    surroundings: seed.surroundings,
    links: seed.links.map(([base, out]) => ({ baseRigId: rigs.get(base)!, outRigId: rigs.get(out)! })),
  })
  if (!saved.ok) throw new Error(messageOf(saved))
  setService(db, id, service)
  return id
}

/** Time order is kept by ids made from the simulated clock. */
function idAt(ms: number, seq: number): string {
  return v7({ msecs: ms, seq })
}

function makeRun(db: Db, trialId: string, seed: RunSeed): void {
  const plan = planOf(openTrial(db, trialId)!)
  const runId = startRun(
    db,
    trialId,
    seed.name,
    plan,
    { note: seed.note, fixedBeforehand: true, imported: false },
    seed.startedAt,
  )
  let clock = Date.parse(seed.startedAt)
  let markId = ''
  const entries: Entry[] = []
  const add = (body: Entry['body']) =>
    entries.push({
      id: idAt(clock, entries.length),
      runId,
      device: 'demo',
      role: 'out there',
      wallTime: new Date(clock).toISOString(),
      seq: entries.length,
      supersedes: null,
      body,
    })
  for (const check of simulateRun(plan, seed.field, seed.upTo)) {
    if (check.markId !== markId) {
      markId = check.markId
      clock += 6 * 60_000
      add({ kind: 'at mark', markId })
    }
    clock += 28_000 + 14_000 * check.calls
    add({ kind: 'check', ...(check satisfies CheckBody) })
  }
  if (seed.end) add({ kind: 'run', ...seed.end })
  appendEntries(db, entries)
}

/** Fills an empty database with the Ostrey round. Does nothing where there is a trial already. */
export function seedOstrey(db: Db): boolean {
  if (db.select().from(trial).limit(1).get()) return false
  const overGround = seedGround(db, HARBOUR)
  const { ids, service } = seedKit(db)
  const truth = { A: -5, B: 1, C: 2, D: -3.2, E: -2.4 }
  const gainDbi = Object.fromEntries(Object.entries(truth).map(([l, g]) => [ids.get(l)!, g]))
  const field = (seed: number, more: Partial<SimulatedField> = {}): SimulatedField => ({
    ...ORDINARY_FIELD,
    ...more,
    seed,
    gainDbi,
    overGround,
  })

  const steps = makeTrial(db, ids, service, {
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
  seedShortWave(db, HARBOUR, makeRun)

  const mast = makeTrial(db, ids, service, {
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

  const pocket = makeTrial(db, ids, service, {
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

  const whips = makeTrial(db, ids, service, {
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
  return true
}
