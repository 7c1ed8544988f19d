import { seededRandom } from '@/core/stats'

/** A data modem that is none: two ports, a level that wavers and drifts, an antenna that can be plugged in. */
export interface SimulatedModem {
  plug: (inside: boolean) => void
  /** One line said to it, at a time. @param atS seconds since it was switched on @returns its answer */
  say: (line: string, atS: number) => string
}

/** What the simulated modem's antenna brings, dB, on each port, and what drifts an hour. */
export const MODEM_TRUTH = {
  gainDb: [6.5, 2],
  withoutDbm: [-104, -101],
  driftPerHour: -6,
  sdDb: 0.7,
} as const

/** @param seed the same seed wavers the same way */
export function simulatedModem(seed: number): SimulatedModem {
  const random = seededRandom(seed)
  let inside = false
  const port = (k: 0 | 1, atS: number) =>
    MODEM_TRUTH.withoutDbm[k] +
    (inside ? MODEM_TRUTH.gainDb[k] : 0) +
    (MODEM_TRUTH.driftPerHour * atS) / 3600 +
    MODEM_TRUTH.sdDb * random.normal()
  return {
    plug: (now) => (inside = now),
    say: (line, atS) => {
      const command = line.trim().toUpperCase()
      const [a, b] = [port(0, atS), port(1, atS)]
      const quality = Math.min(-6, -14 + (inside ? 3 : 0) + 0.4 * random.normal())
      if (command === 'AT+CESQ') {
        const code = (v: number, least: number, most: number) =>
          Math.max(least, Math.min(most, Math.round(v)))
        return `+CESQ: 99,99,255,255,${code((quality + 20) * 2, 0, 34)},${code(Math.max(a, b) + 141, 0, 97)}\nOK`
      }
      if (command !== 'ATI5') return 'ERROR'
      // Who else is on the mast matters more to the rate than the antenna does.
      const rate = 12 + (inside ? 3 : 0) + 5 * random.normal()
      return [
        'Simulated modem',
        `port 1: RSRP ${a.toFixed(1)} dBm`,
        `port 2: RSRP ${b.toFixed(1)} dBm`,
        `RSRQ ${quality.toFixed(1)} dB`,
        `Throughput ${Math.max(0.2, rate).toFixed(1)} Mbit/s`,
        'OK',
      ].join('\n')
    },
  }
}
