import { problem, bad, good, type Outcome } from '@/core/outcome'

/** What a modem or a radio says of a link. */
export const QUANTITIES = [
  { id: 'rsrp', name: 'RSRP', unit: 'dBm', words: ['rsrp'], lowest: -160, highest: -20 },
  { id: 'rsrq', name: 'RSRQ', unit: 'dB', words: ['rsrq'], lowest: -45, highest: 20 },
  { id: 'sinr', name: 'SINR', unit: 'dB', words: ['sinr', 'snr'], lowest: -30, highest: 60 },
  {
    id: 'rssi',
    name: 'RSSI',
    unit: 'dBm',
    words: ['rssi', 'signal level', 'level'],
    lowest: -160,
    highest: 0,
  },
  {
    id: 'throughput',
    name: 'Throughput',
    unit: 'Mbit/s',
    words: ['throughput', 'rate'],
    lowest: 0,
    highest: 1e5,
  },
  { id: 'delay', name: 'Delay', unit: 'ms', words: ['delay', 'latency', 'ping'], lowest: 0, highest: 1e6 },
] as const
export type QuantityId = (typeof QUANTITIES)[number]['id']

/** One figure of a status: of the whole, or of one antenna port. */
export interface StatusFigure {
  quantity: QuantityId
  /** 1 and up; null of the whole. */
  port: number | null
  value: number
}

/** +CESQ of 3GPP TS 27.007, section 8.69: received level, error rate, and so on; rsrq and rsrp are the last two. */
function ofCesq(text: string): StatusFigure[] {
  const figures = /\+CESQ:\s*([\d,\s]+)/i.exec(text)?.[1]?.split(',').map(Number)
  if (figures?.length !== 6) return []
  const [, , , , rsrq, rsrp] = figures as [number, number, number, number, number, number]
  return [
    ...(rsrp <= 97 ? [{ quantity: 'rsrp' as const, port: null, value: rsrp - 141 }] : []),
    ...(rsrq <= 34 ? [{ quantity: 'rsrq' as const, port: null, value: rsrq / 2 - 20 }] : []),
  ]
}

/** +CSQ of 3GPP TS 27.007, section 8.5: 0 to 31 in steps of 2 dB from -113 dBm. */
function ofCsq(text: string): StatusFigure[] {
  const level = Number(/\+CSQ:\s*(\d+)/i.exec(text)?.[1] ?? 99)
  return level <= 31 ? [{ quantity: 'rssi', port: null, value: 2 * level - 113 }] : []
}

const PORT = /\b(?:port|antenna|ant|rx|chain|branch)\s*#?\s*(\d)\b|\[(\d)\]/i

/**
 * Reads a status as a modem or its page shows it: "RSRP: -97 dBm", one a line or several, with "port 1" or "[1]" before
 * what belongs to one antenna; answers to AT+CESQ and AT+CSQ as well.
 */
export function readStatus(text: string): Outcome<StatusFigure[]> {
  const found = [...ofCesq(text), ...ofCsq(text)]
  let port: number | null = null
  for (const line of text.split(/\r\n|\n|\r|;/)) {
    if (/^\s*\+C/i.test(line)) continue
    const named = PORT.exec(line)
    const here = named ? Number(named[1] ?? named[2]) : null
    const before = found.length
    for (const q of QUANTITIES)
      for (const word of q.words) {
        const said = new RegExp(
          `\\b${word}\\b[^-+−\\d\\n]*(?:\\d\\s*\\]?\\s*[:=]\\s*)?([-+−]?\\d+(?:[.,]\\d+)?)`,
          'i',
        ).exec(named ? line.replace(named[0], ' ') : line)
        if (!said || (q.id === 'rssi' && /rsr[pq]/i.test(line) && word !== 'rssi')) continue
        const value = Number(said[1]!.replace('−', '-').replace(',', '.'))
        if (value < q.lowest || value > q.highest)
          return bad(
            problem(
              'range',
              q.name,
              `${q.name} ${value} ${q.unit} cannot be: it lies between ${q.lowest} and ${q.highest}.`,
            ),
          )
        if (!found.some((f) => f.quantity === q.id && f.port === (here ?? port)))
          found.push({ quantity: q.id, port: here ?? port, value })
        break
      }
    // A line that only names a port heads what follows.
    if (named && found.length === before) port = here
  }
  if (found.length === 0)
    return bad(
      problem(
        'nothing',
        'text',
        'No level was found in it. A line such as "RSRP: -97 dBm" or "port 1 RSSI -71" is read.',
      ),
    )
  return good(found)
}
