import { nmeaLines, readNmea } from '@/core/formats/nmea'
import { inverse, type Place } from '@/core/geo'
import type { PositionFix } from '@/core/trial'

/** Where this device is. */
export interface Position extends Place {
  /** m; null where the source does not say. */
  accuracyM: number | null
  speedMs: number | null
  courseDeg: number | null
  /** ms since the epoch. */
  at: number
}

/** A position as the log keeps it. */
export const fixOf = (p: Position | null): PositionFix | null =>
  p && { lat: p.lat, lon: p.lon, accuracyM: p.accuracyM }

/** Something that tells where this device is. */
export interface PositionSource {
  name: string
  /** @returns a function that ends it */
  start(onPosition: (p: Position) => void, onTrouble: (words: string) => void): () => void
}

/** The browser's own. */
export function browserSource(): PositionSource {
  return {
    name: 'this device',
    start(onPosition, onTrouble) {
      if (!navigator.geolocation) {
        onTrouble('This browser has no position. Go by the marks; nothing else changes.')
        return () => undefined
      }
      const id = navigator.geolocation.watchPosition(
        ({ coords, timestamp }) =>
          onPosition({
            lat: coords.latitude,
            lon: coords.longitude,
            accuracyM: coords.accuracy,
            speedMs: coords.speed,
            courseDeg: coords.heading !== null && Number.isFinite(coords.heading) ? coords.heading : null,
            at: timestamp,
          }),
        (e) =>
          onTrouble(
            e.code === e.PERMISSION_DENIED
              ? 'Position is not allowed here. Go by the marks, or allow it for this page in the browser.'
              : 'No position yet. Go by the marks meanwhile.',
          ),
        { enableHighAccuracy: true, maximumAge: 2000 },
      )
      return () => navigator.geolocation.clearWatch(id)
    },
  }
}

/** A way walked before, at so many times its own speed: the stand-in for a receiver. */
export function replaySource(
  name: string,
  points: readonly (Place & { time: string | null })[],
  times: number,
): PositionSource {
  return {
    name: `${name}, replayed ${times} times as fast`,
    start(onPosition) {
      const step = 1000 / times
      // A way without times is walked at a metre and a quarter a second.
      let clock = 0
      const track = points.map((p, i) => {
        const before = points[i - 1]
        if (before)
          clock +=
            p.time && before.time
              ? Math.max(0, Date.parse(p.time) - Date.parse(before.time))
              : inverse(before, p).distanceM * 800
        return { p, at: clock }
      })
      const started = Date.now()
      let last = -1
      const tick = () => {
        const passed = (Date.now() - started) * times
        let i = last
        while (i + 1 < track.length && track[i + 1]!.at <= passed) i++
        if (i === last) return
        const [from, to] = [track[Math.max(0, i - 1)]!, track[i]!]
        last = i
        const leap = inverse(from.p, to.p)
        const seconds = (to.at - from.at) / 1000
        onPosition({
          lat: to.p.lat,
          lon: to.p.lon,
          accuracyM: 5,
          speedMs: seconds > 0 ? leap.distanceM / seconds : 0,
          courseDeg: leap.distanceM > 1 ? leap.bearingDeg : null,
          at: Date.now(),
        })
      }
      tick()
      const timer = setInterval(tick, Math.max(50, step))
      return () => clearInterval(timer)
    },
  }
}

interface SerialPort {
  open(options: { baudRate: number }): Promise<void>
  readable: ReadableStream<Uint8Array> | null
  close(): Promise<void>
}
interface WithSerial {
  serial?: { requestPort(): Promise<SerialPort> }
}

/** A receiver on a serial port that speaks NMEA 0183. Its port is chosen in the browser's own dialog. */
export async function serialSource(baudRate = 4800): Promise<PositionSource> {
  const { serial } = navigator as WithSerial
  if (!serial) throw new Error('This browser cannot read serial ports. Take this device’s own position.')
  const port = await serial.requestPort()
  return {
    name: `a receiver at ${baudRate} baud`,
    start(onPosition, onTrouble) {
      let ended = false
      let reader: ReadableStreamDefaultReader<Uint8Array> | null = null
      void (async () => {
        try {
          await port.open({ baudRate })
          reader = port.readable!.getReader()
          const lines = nmeaLines()
          const decoder = new TextDecoder()
          for (;;) {
            const { value, done } = await reader.read()
            if (done || ended) break
            for (const line of lines(decoder.decode(value, { stream: true }))) {
              const fix = readNmea(line)
              if (fix)
                onPosition({
                  lat: fix.lat,
                  lon: fix.lon,
                  // Some five metres for each unit of dilution.
                  accuracyM: fix.hdop === null ? null : fix.hdop * 5,
                  speedMs: fix.speedMs,
                  courseDeg: fix.courseDeg,
                  at: Date.now(),
                })
            }
          }
        } catch {
          if (!ended)
            onTrouble('The receiver fell silent. Plug it in again, or take this device’s own position.')
        }
      })()
      return () => {
        ended = true
        void reader?.cancel().then(() => port.close())
      }
    },
  }
}
