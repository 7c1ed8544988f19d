import type { QuestionKind } from '@/core/trial'
import { messageOf } from '@/core/outcome'
import { direct, type Place } from '@/core/geo'
import {
  addLegToTrial,
  addTrial,
  openTrial,
  placeBase,
  planInputOf,
  savePlan,
  setService,
  type ChosenService,
  type Db,
  type PlanInput,
} from '@/data'

/** The harbour of Ostrey, an invented island in the open Atlantic. */
export const HARBOUR: Place = { lat: 47.298807, lon: -29.557697 }

export interface LegSeed {
  name: string
  prefix: string
  /** Bearing at the start and at the end: the way bends. */
  bearings: [number, number]
  spacingM: number
  marks: number
}

/** A way out from the harbour that winds a little, with its marks. */
export function bentTrack(seed: LegSeed): {
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

export interface TrialSeed {
  name: string
  question: string
  legs: LegSeed[]
  /** Ids of rigs. */
  links: [base: string, out: string][]
  sameAs: string[]
  surroundings: PlanInput['surroundings']
  orderSeed: number
  /** The kind of question it began with, which settles how it is worked. */
  kind?: QuestionKind
  plan?: Partial<PlanInput>
}

/** A trial from the harbour, planned. @param service that it keeps to; null for none @returns its id */
export function makeTrial(db: Db, service: ChosenService | null, seed: TrialSeed): string {
  const id = addTrial(db, seed.name, seed.question, seed.orderSeed, seed.kind)
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
    ...seed.plan,
    links: seed.links.map(([baseRigId, outRigId]) => ({ baseRigId, outRigId })),
  })
  if (!saved.ok) throw new Error(messageOf(saved))
  if (service) setService(db, id, service)
  return id
}
