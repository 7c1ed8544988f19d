import { polarisationLossDb } from '@/core/rf'
import { seededRandom } from '@/core/stats'

/** A receiver that is none, on a turned antenna before a fixed source. */
export interface SimulatedReceiver {
  /** A level at an angle, dBm, as its display shows it; at its floor it says so. */
  read: (angleDeg: number) => { db: number; atOrBelow: boolean }
  /** With so much of an attenuator in between, dB. */
  attenuate: (db: number) => void
}

/** Antennas that can be turned before it. */
export const TURNED = [
  { id: 'small-beam', name: 'Small beam of three elements' },
  { id: 'loop', name: 'Loop, turned for its nulls' },
  { id: 'whip-worn', name: 'Whip on a handheld, worn on the right' },
  { id: 'crossed', name: 'Whip turned from upright to flat' },
] as const
export type Turned = (typeof TURNED)[number]['id']

/** Truth of the simulated source and antennas. Levels in dBm, angles from where the source stands. */
export const TURN_TRUTH = {
  floorDbm: -118,
  sdDb: 0.6,
  compressedAboveDbm: -52,
  beam: { peakDbm: -64, halfDeg: 33, backDb: 16 },
  loop: { peakDbm: -79, nullDb: 28 },
  worn: { peakDbm: -72, shadowDb: 11, shadowDeg: 180 },
  crossed: { levelDbm: -66, isolationDb: 19, alignedDeg: 3 },
} as const

/** What the antenna gives at an angle off the source, dBm, before the receiver. */
function turnedLevel(what: Turned, angleDeg: number): number {
  const rad = (angleDeg * Math.PI) / 180
  const t = TURN_TRUTH
  switch (what) {
    case 'small-beam': {
      // A lobe of cosine to a power whose half width at -3 dB is given, over a back lobe of its own.
      const power = Math.log(0.5) / Math.log(Math.cos((t.beam.halfDeg * Math.PI) / 180))
      const front = Math.max(0, Math.cos(rad)) ** power
      const back = 10 ** (-t.beam.backDb / 10) * (0.25 + 0.75 * Math.max(0, -Math.cos(rad)) ** 2)
      return t.beam.peakDbm + 10 * Math.log10(front + back)
    }
    case 'loop':
      return t.loop.peakDbm + 10 * Math.log10(Math.cos(rad) ** 2 + 10 ** (-t.loop.nullDb / 10))
    case 'whip-worn': {
      const shadow = Math.max(0, Math.cos(rad - (t.worn.shadowDeg * Math.PI) / 180)) ** 2
      return t.worn.peakDbm - t.worn.shadowDb * shadow
    }
    case 'crossed':
      return t.crossed.levelDbm - polarisationLossDb(angleDeg - t.crossed.alignedDeg, t.crossed.isolationDb)
  }
}

/** @param seed the same seed wavers the same way */
export function simulatedReceiver(seed: number, what: Turned): SimulatedReceiver {
  const random = seededRandom(seed)
  let attenuatorDb = 0
  return {
    attenuate: (db) => (attenuatorDb = db),
    read: (angleDeg) => {
      const { floorDbm, sdDb, compressedAboveDbm } = TURN_TRUTH
      const given = turnedLevel(what, angleDeg) - attenuatorDb + sdDb * random.normal()
      const shown =
        given > compressedAboveDbm ? compressedAboveDbm + (given - compressedAboveDbm) * 0.6 : given
      return shown < floorDbm
        ? { db: floorDbm, atOrBelow: true }
        : { db: Number(shown.toFixed(1)), atOrBelow: false }
    },
  }
}
