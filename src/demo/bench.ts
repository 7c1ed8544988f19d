import {
  anglesToTake,
  corrected,
  IDEAL_STANDARDS,
  loadAgainDb,
  readComplexData,
  readStatus,
  solveErrorTerms,
  STANDARDS,
  sweepGrid,
  sweepLines,
  type BodyByKind,
  type Measured,
  type NewMeasurement,
  type Sweep,
} from '@/core/bench'
import { direct, inverse, type Place } from '@/core/geo'
import type { AntennaSpec } from '@/core/kit'
import { messageOf } from '@/core/outcome'
import {
  LEAD_TRUTH,
  simulatedAnalyser,
  simulatedModem,
  simulatedReceiver,
  type OnTheLead,
  type Turned,
} from '@/core/sim/bench'
import { seededRandom } from '@/core/stats'
import { addMeasurement, addPart, type Db } from '@/data'

const BAND = { fromMHz: 433, toMHz: 437 }
const SPAN = { fromMHz: 380, toMHz: 490, points: 401 }
const LEAD_SPAN = { fromMHz: 50, toMHz: 550, points: 401 }
const DAY = '2026-04-18'
const at = (time: string) => `${DAY}T${time}:00.000Z`
/** Where the hidden transmitter of the search was, and its searchers from it. */
const HIDDEN_FROM_HARBOUR = { bearingDeg: 55, distanceM: 2900 }
const STANDS = [
  { name: 'Harbour wall', bearingDeg: 236, distanceM: 2500 },
  { name: 'Chapel lane', bearingDeg: 292, distanceM: 1700 },
  { name: 'Saddle path', bearingDeg: 350, distanceM: 1400 },
  { name: 'Mill bridge', bearingDeg: 205, distanceM: 1500 },
] as const

const antenna = (name: string, more: Partial<AntennaSpec>) => ({
  kind: 'antenna' as const,
  name,
  owned: 1,
  weightG: null,
  wornMm: null,
  price: null,
  note: '',
  spec: {
    ...{ form: 'whip', bands: [BAND], gain: null, claimedGain: null, polarisation: 'vertical' as const },
    ...{ crossPolarDb: null, lengthM: null, ratingW: null, needs: 'nothing' as const, swr: [], pattern: [] },
    ...{ connector: { family: 'SMA' as const, gender: 'male' as const, reverse: false } },
    ...{ setBy: null, settingUnit: 'mm', settings: [] },
    ...more,
  },
})

/** A simulated analyser, calibrated at the end of its lead. */
function station(seed: number, span: typeof SPAN) {
  const analyser = simulatedAnalyser(seed)
  const raw = (what: OnTheLead): Sweep => {
    analyser.connect(what)
    sweepLines(span).forEach((line) => analyser.say(line))
    analyser.say('INIT:IMM')
    const read = readComplexData(analyser.say('CALC:DATA? SDAT') ?? '', span.points)
    if (!read.ok) throw new Error(messageOf(read))
    return { frequencyMHz: sweepGrid(span), ...read.value, ohm: 50, phase: true }
  }
  const terms = solveErrorTerms(
    Object.fromEntries(STANDARDS.map((s) => [s, raw(s)])) as Measured,
    IDEAL_STANDARDS,
  )
  const again = loadAgainDb(corrected(raw('load'), terms))
  return {
    calibration: { loadAgainDb: again, at: at('08:40') },
    sweep: (what: OnTheLead): Sweep => {
      const s = corrected(raw(what), terms)
      const short = (v: number[]) => v.map((x) => Number(x.toFixed(7)))
      return { ...s, re: short(s.re), im: short(s.im) }
    },
  }
}

const turnedBody = (what: Turned, way: 'pattern' | 'crossed', seed: number): BodyByKind['turn'] => {
  const receiver = simulatedReceiver(seed, what)
  const angles = way === 'pattern' ? anglesToTake(15) : anglesToTake(10, 90)
  return {
    way,
    readings: [...angles, ...[...angles].reverse()].map((angleDeg) => ({
      angleDeg,
      ...receiver.read(angleDeg),
    })),
    frequencyMHz: 435,
    lossDb: 0.6,
    body: '',
  }
}

function bearingsBody(base: Place): BodyByKind['bearings'] {
  const hidden = direct(base, HIDDEN_FROM_HARBOUR.bearingDeg, HIDDEN_FROM_HARBOUR.distanceM)
  const random = seededRandom(12)
  return {
    day: DAY,
    bearings: STANDS.map((s, i) => {
      const stand = direct(hidden, s.bearingDeg, s.distanceM)
      return {
        ...{
          id: `stand-${i + 1}`,
          name: s.name,
          lat: Number(stand.lat.toFixed(6)),
          lon: Number(stand.lon.toFixed(6)),
        },
        bearingDeg: Math.round(inverse(stand, hidden).bearingDeg + 4 * random.normal()),
        ...{ compass: false, way: 'null' as const, sdDeg: 4, left: false },
      }
    }),
  }
}

/** Out and in by turns, two minutes each, a reading every six seconds. */
function liveBody(): BodyByKind['live'] {
  const modem = simulatedModem(8)
  return {
    settleS: 10,
    what: 'the roof antenna',
    readings: Array.from({ length: 140 }, (_, i) => {
      const inside = Math.floor(i / 20) % 2 === 1
      modem.plug(inside)
      const read = readStatus(modem.say('ATI5', i * 6))
      if (!read.ok) throw new Error(messageOf(read))
      return {
        atS: i * 6,
        state: inside ? ('in' as const) : ('out' as const),
        figures: read.value.map((f) => ({ ...f, capped: false })),
      }
    }),
  }
}

/** What the team measured on the harbour bench: an antenna swept, a lead, two turned, a hidden transmitter, a swap. */
export function seedBench(db: Db, base: Place): void {
  const whip = addPart(
    db,
    antenna('Quarter-wave whip for 435 MHz', { lengthM: 0.165, needs: 'counterpoise' }),
  )
  const beam = addPart(db, antenna('Beam of three elements for 435 MHz', { form: 'beam' }))
  const loop = addPart(db, antenna('Loop for finding', { form: 'loop' }))
  const keep = (m: Omit<NewMeasurement, 'source' | 'conditions'> & { conditions?: string }) => {
    const kept = addMeasurement(db, { conditions: '', source: 'simulated', ...m } as NewMeasurement)
    if (!kept.ok) throw new Error(messageOf(kept))
  }
  const analyser = 'Simulated analyser'
  const { sweep, calibration } = station(5, SPAN)
  const common = { band: BAND, limitSwr: 2, calibration, lead: null }
  const indoors = 'on a wooden table, 14 °C'
  const sweeps: [OnTheLead, string, string][] = [
    ['whip', 'Bare', '08:50'],
    ['whip', 'Bare', '08:52'],
    ['whip-counterpoise', 'With a counterpoise', '08:55'],
    ['whip-counterpoise', 'With a counterpoise', '08:57'],
  ]
  sweeps.forEach(([what, setUp, time], i) =>
    keep({
      kind: 'sweep',
      name: `435 whip, ${setUp.toLowerCase()}, ${(i % 2) + 1}`,
      partId: whip,
      takenAt: at(time),
      instrument: analyser,
      conditions: indoors,
      body: { ...common, sweep: sweep(what), setUp },
    }),
  )
  const lead = station(6, LEAD_SPAN)
  keep({
    kind: 'sweep',
    name: 'Spare lead, its far end open',
    partId: null,
    takenAt: at('09:20'),
    instrument: analyser,
    body: {
      ...{ sweep: lead.sweep('lead-fault'), band: null, limitSwr: 2, setUp: 'Far end open' },
      ...{ calibration: lead.calibration, lead: { lengthM: LEAD_TRUTH.lengthM, other: null } },
    },
  })
  const turns: [string, string, BodyByKind['turn']][] = [
    [loop, 'Loop, turned', turnedBody('loop', 'pattern', 3)],
    [beam, 'Beam, turned', turnedBody('small-beam', 'pattern', 4)],
    [whip, 'Whip, upright to flat', turnedBody('crossed', 'crossed', 5)],
  ]
  turns.forEach(([partId, name, body], i) =>
    keep({
      kind: 'turn',
      name,
      partId,
      takenAt: at(`10:${10 + i * 15}`),
      instrument: 'Simulated receiver',
      conditions: 'on the quay, source 60 m off',
      body,
    }),
  )
  keep({
    kind: 'bearings',
    name: 'Search for the hidden transmitter',
    partId: null,
    takenAt: at('13:00'),
    instrument: 'Simulated finder',
    body: bearingsBody(base),
  })
  keep({
    kind: 'live',
    name: 'Roof antenna on the data link',
    partId: null,
    takenAt: at('15:00'),
    instrument: 'Simulated modem',
    body: liveBody(),
  })
}
