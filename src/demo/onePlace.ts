import { defaultScale } from '@/core/reports'
import { ORDINARY_FIELD } from '@/core/sim'
import { seededRandom } from '@/core/stats'
import { openTrial, type Db } from '@/data'
import { figuresRig } from './figuresRig'
import { makeTrial } from './trials'
import { makeRun } from './runs'

const MHZ = 868.3
const ROUNDS = 6
/** What each antenna really brings, dB over the first. */
const TRUTH = [0, 7, 9.5]

/** The data link to the mainland boat: one place, three antennas plugged in turn, readings in dBm, throughput beside. */
export function seedOnePlace(db: Db): void {
  const boat = figuresRig(db, {
    letter: 'M',
    name: 'Boat at the mole',
    kind: 'base',
    txMHz: MHZ,
    powerW: 0.5,
    antennaHeightM: 6,
    note: 'Data radio on the mainland boat, moored at the outer mole',
  })
  const antennas = [
    ['F', 'Rod indoors', 'The rod that came with the modem, on the desk'],
    ['G', 'Panel at the window', 'Flat panel stuck to the pane'],
    ['I', 'Panel under the eaves', 'The same panel outside, 4 m of lead'],
  ].map(([letter, name, note]) =>
    figuresRig(db, {
      letter: letter!,
      name: name!,
      kind: 'handheld',
      txMHz: MHZ,
      powerW: 0.5,
      antennaHeightM: 5,
      note: note!,
    }),
  )
  const level = defaultScale('level')
  const trialId = makeTrial(db, null, {
    name: 'Where to put the data antenna',
    question: 'Which of three places for the modem’s antenna hears the boat best?',
    legs: [{ name: 'Harbour mole', prefix: 'H', bearings: [150, 150], spacingM: 2600, marks: 1 }],
    links: antennas.map((a) => [boat, a] as [string, string]),
    sameAs: ['Same modem and channel', 'Plugged in and out in turn, never two in a row'],
    surroundings: 'cluttered',
    orderSeed: 12,
    kind: 'one place',
    plan: { directions: ['from base'], repeats: ROUNDS, scales: { base: level, out: level } },
  })
  const { links, legs } = openTrial(db, trialId)!
  const random = seededRandom(4)
  makeRun(db, trialId, {
    name: 'An evening at the desk',
    startedAt: '2026-04-23T17:30:00Z',
    field: {
      ...ORDINARY_FIELD,
      seed: 19,
      gainDbi: {},
      linkGainDb: Object.fromEntries(links.map((l, i) => [l.id, TRUTH[i]!])),
      groundLossDb: 12,
      extraSlopeDb: 0,
      linkDb: 0.6,
      fadingDb: 1.2,
      thresholdDbm: -125,
      inDbm: true,
      forgotten: 0,
      inWords: 0,
    },
    upTo: 1,
    end: { state: 'finished', reason: '' },
    note: 'Dry, boat at its mooring',
    after: links.flatMap((l, i) =>
      [0, 1, 2].map(() => ({
        kind: 'carried' as const,
        markId: legs[0]!.marks[0]!.id,
        linkId: l.id,
        direction: 'from base' as const,
        what: 'throughput' as const,
        value: Number((3 + 1.6 * i + 0.8 * random.normal()).toFixed(1)),
        server: 'own server on the boat',
        path: '',
        cap: 8,
      })),
    ),
  })
}
