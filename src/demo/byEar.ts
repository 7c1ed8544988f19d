import { inverse, placesAlong, type Place } from '@/core/geo'
import type { Entry } from '@/core/trial'
import { openTrial, type ChosenService, type Db } from '@/data'
import { logRun } from './runs'
import { bentTrack, HARBOUR, makeTrial, type LegSeed } from './trials'

const WEST: LegSeed = {
  name: 'West of the Saddle',
  prefix: 'W',
  bearings: [-30, 12],
  spacingM: 600,
  marks: 8,
}
const EAST: LegSeed = { name: 'East of the Saddle', prefix: 'E', bearings: [70, 20], spacingM: 600, marks: 8 }

/** Where each link changes on each way, m along it: clear until the first, broken until the second, then lost. */
const CHANGES: [way: LegSeed, link: number, brokenM: number, lostM: number][] = [
  [WEST, 0, 1500, 2100],
  [EAST, 0, 2500, 3400],
  [WEST, 1, 2200, 2900],
  [EAST, 1, 3500, 4300],
]

/** The course car by ear round the Saddle: a continuous signal, changes noted with one key, out and home, each side. */
export function seedByEar(db: Db, rigs: Map<string, string>, service: ChosenService): void {
  const trialId = makeTrial(db, service, {
    name: 'By ear round the Saddle',
    question: 'How far up each side of the Saddle does the course car hear Race Control?',
    legs: [WEST, EAST],
    links: [
      [rigs.get('L')!, rigs.get('C')!],
      [rigs.get('H')!, rigs.get('C')!],
    ],
    sameAs: ['Same car, engine running', 'Same speaker and volume', 'A carrier with a tone all the way'],
    surroundings: 'clear',
    orderSeed: 8,
    kind: 'by ear',
  })
  const { links } = openTrial(db, trialId)!
  const entries: { minute: number; body: Entry['body'] }[] = []
  let minute = 0
  const note = (linkId: string, way: 'out' | 'home', state: string, place: Place) =>
    entries.push({
      minute: (minute += 3),
      body: {
        kind: 'state',
        linkId,
        way,
        state,
        distanceM: Math.round(inverse(HARBOUR, place).distanceM),
        fix: { ...place, accuracyM: 6 },
      },
    })
  for (const [way, link, brokenM, lostM] of CHANGES) {
    const { track } = bentTrack(way)
    const steps = placesAlong(track, 50)
    const at = (alongM: number) =>
      steps.reduce((best, s) => (Math.abs(s.alongM - alongM) < Math.abs(best.alongM - alongM) ? s : best))
        .place
    const { id } = links[link]!
    note(id, 'out', 'clear', at(200))
    note(id, 'out', 'first break-up', at(brokenM))
    note(id, 'out', 'lost', at(lostM))
    note(id, 'home', 'lost', track.at(-1)!)
    note(id, 'home', 'back', at(lostM - 250))
  }
  logRun(db, trialId, {
    name: 'One afternoon in the car',
    startedAt: '2026-05-23T13:10:00Z',
    end: { state: 'finished', reason: '' },
    note: 'Low cloud on the Saddle',
    entries,
  })
}
