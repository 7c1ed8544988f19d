/** A place from a receiver's sentence. */
export interface NmeaFix {
  lat: number
  lon: number
  /** Over the sea, m; null where the sentence has none. */
  elevationM: number | null
  /** Over the ground, m/s, and course, degrees; null where the sentence has none. */
  speedMs: number | null
  courseDeg: number | null
  /** Horizontal dilution of precision; null where the sentence has none. */
  hdop: number | null
  /** UTC as hhmmss with fractions, and the date as ddmmyy; null where the sentence has none. */
  time: string | null
  date: string | null
}

const KNOT_MS = 0.514444

function degrees(value: string, side: string): number | null {
  const m = /^(\d{2,3})(\d{2}(?:\.\d*)?)$/.exec(value)
  if (!m) return null
  const d = Number(m[1]) + Number(m[2]) / 60
  return side === 'S' || side === 'W' ? -d : side === 'N' || side === 'E' ? d : null
}
const figure = (t: string | undefined): number | null =>
  t === undefined || t === '' || !Number.isFinite(Number(t)) ? null : Number(t)

/**
 * Reads one NMEA 0183 sentence: GGA and RMC of any talker.
 * @returns null for other sentences, without a fix, or with a checksum that is wrong or missing
 */
export function readNmea(line: string): NmeaFix | null {
  const m = /^\$([^*]*)\*([0-9A-Fa-f]{2})\s*$/.exec(line.trim())
  if (!m) return null
  let sum = 0
  for (const c of m[1]!) sum ^= c.charCodeAt(0)
  if (sum !== parseInt(m[2]!, 16)) return null
  const f = m[1]!.split(',')
  const type = f[0]!.slice(2)
  if (type === 'GGA') {
    const [lat, lon] = [degrees(f[2] ?? '', f[3] ?? ''), degrees(f[4] ?? '', f[5] ?? '')]
    if (lat === null || lon === null || !figure(f[6])) return null
    return {
      lat,
      lon,
      elevationM: figure(f[9]),
      speedMs: null,
      courseDeg: null,
      hdop: figure(f[8]),
      time: f[1] || null,
      date: null,
    }
  }
  if (type === 'RMC') {
    const [lat, lon] = [degrees(f[3] ?? '', f[4] ?? ''), degrees(f[5] ?? '', f[6] ?? '')]
    if (lat === null || lon === null || f[2] !== 'A') return null
    const knots = figure(f[7])
    return {
      lat,
      lon,
      elevationM: null,
      speedMs: knots === null ? null : knots * KNOT_MS,
      courseDeg: figure(f[8]),
      hdop: null,
      time: f[1] || null,
      date: f[9] || null,
    }
  }
  return null
}

/** Puts pieces as they come from a port together to whole lines; what is left over waits for the next piece. */
export function nmeaLines(): (piece: string) => string[] {
  let rest = ''
  return (piece) => {
    const lines = (rest + piece).split(/\r?\n/)
    rest = lines.pop()!
    // A port that sends no line ends must not fill the memory.
    if (rest.length > 1000) rest = ''
    return lines
  }
}
