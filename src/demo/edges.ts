import { seededRandom } from '@/core/stats'
import type { Entry } from '@/core/trial'
import { openTrial, type ChosenService, type Db } from '@/data'
import { figuresRig } from './figuresRig'
import { logRun } from './runs'
import { makeTrial } from './trials'

const MHZ = 446.1
/** Eight walkie-talkies of the marshals' own, with where each is really lost, m. */
const RIGS: [letter: string, name: string, note: string, truthM: number][] = [
  ['P', 'Pocket set', 'Fixed stub, half a watt', 560],
  ['Q', 'Child’s set', 'Fixed stub, toy', 420],
  ['R', 'Boat set', 'Floats, helical antenna', 900],
  ['S', 'Red pair', 'Fixed antenna, 12 cm', 760],
  ['T', 'Shop set', 'Fixed antenna, 14 cm', 800],
  ['U', 'Long-antenna set', 'Fixed antenna, 19 cm', 1150],
  ['V', 'Old yellow pair', 'Worn speaker', 640],
  ['W', 'Work-site set', 'Fixed antenna, metal case', 1050],
]
const WAY_FACTOR = [1, 0.86]
const WALK_SPREAD = 0.06

/** Eight rigs walked to the edge on two ways; the attenuator in for half of the second. */
export function seedEdges(db: Db, service: ChosenService | null): void {
  const base = figuresRig(db, {
    letter: 'X',
    name: 'Quay listener',
    kind: 'base',
    txMHz: MHZ,
    powerW: 0.5,
    antennaHeightM: 1.6,
    note: 'A marshal on the quay with a set of the same kind',
  })
  const out = RIGS.map(([letter, name, note]) =>
    figuresRig(db, { letter, name, kind: 'handheld', txMHz: MHZ, powerW: 0.5, antennaHeightM: 1.5, note }),
  )
  const trialId = makeTrial(db, service, {
    name: 'Eight sets to the edge',
    question: 'Which of the sets that people already own gets farthest along the shore?',
    legs: [
      { name: 'Along the quay', prefix: 'K', bearings: [128, 120], spacingM: 200, marks: 8 },
      { name: 'Up the glen', prefix: 'G', bearings: [40, 30], spacingM: 200, marks: 8 },
    ],
    links: out.map((o) => [base, o] as [string, string]),
    sameAs: ['Fresh cells in all', 'Held at the chest, facing the quay'],
    surroundings: 'mixed',
    orderSeed: 77,
    kind: 'edge',
  })
  const { links, legs } = openTrial(db, trialId)!
  const random = seededRandom(31)
  const entries: { minute: number; body: Entry['body'] }[] = []
  let minute = 0
  legs.forEach((leg, way) => {
    links.forEach((link, i) => {
      const lost = RIGS[i]![3] * WAY_FACTOR[way]! * Math.exp(WALK_SPREAD * random.normal())
      const edge = (what: 'last heard' | 'first lost', distanceM: number) =>
        entries.push({
          minute: (minute += 5),
          body: {
            kind: 'edge',
            legId: leg.id,
            linkId: link.id,
            direction: 'to base',
            what,
            distanceM: Math.round(distanceM),
            fix: null,
          },
        })
      edge('last heard', lost * 0.98)
      edge('first lost', lost * 1.02)
    })
  })
  logRun(db, trialId, {
    name: 'Two ways, one Sunday',
    startedAt: '2026-05-17T12:00:00Z',
    end: { state: 'finished', reason: '' },
    note: 'Warm, no wind',
    entries,
  })
}
