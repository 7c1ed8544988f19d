import { afterEach, describe, expect, it, vi } from 'vitest'
import { browserSource, serialSource, type Position } from './positionSource'

afterEach(() => vi.unstubAllGlobals())

const sentence = (inner: string) => {
  const x = [...inner].reduce((s, c) => s ^ c.charCodeAt(0), 0)
  return `$${inner}*${x.toString(16).toUpperCase().padStart(2, '0')}\r\n`
}

describe('the browser’s own position', () => {
  function geolocation() {
    let told: ((p: unknown) => void) | null = null
    let failed: ((e: unknown) => void) | null = null
    const cleared: number[] = []
    vi.stubGlobal('navigator', {
      geolocation: {
        watchPosition: (ok: typeof told, bad: typeof failed) => {
          told = ok
          failed = bad
          return 7
        },
        clearWatch: (id: number) => cleared.push(id),
      },
    })
    return { tell: (p: unknown) => told!(p), fail: (e: unknown) => failed!(e), cleared }
  }
  it('is handed on with its accuracy, and ends when it is stopped', () => {
    const g = geolocation()
    const seen: Position[] = []
    const stop = browserSource().start(
      (p) => seen.push(p),
      () => undefined,
    )
    g.tell({
      coords: { latitude: 47.3, longitude: -29.5, accuracy: 8, speed: null, heading: NaN },
      timestamp: 5,
    })
    expect(seen).toEqual([{ lat: 47.3, lon: -29.5, accuracyM: 8, speedMs: null, courseDeg: null, at: 5 }])
    stop()
    expect(g.cleared).toEqual([7])
  })
  it('that is denied says so and what to do', () => {
    const g = geolocation()
    const troubles: string[] = []
    browserSource().start(
      () => undefined,
      (t) => troubles.push(t),
    )
    g.fail({ code: 1, PERMISSION_DENIED: 1 })
    g.fail({ code: 3, PERMISSION_DENIED: 1 })
    expect(troubles[0]).toMatch(/^Position is not allowed here\. Go by the marks/)
    expect(troubles[1]).toMatch(/^No position yet/)
  })
  it('that is not there at all says so', () => {
    vi.stubGlobal('navigator', {})
    const troubles: string[] = []
    browserSource().start(
      () => undefined,
      (t) => troubles.push(t),
    )()
    expect(troubles).toEqual(['This browser has no position. Go by the marks; nothing else changes.'])
  })
})

describe('a receiver on a wire', () => {
  it('is read sentence by sentence, cut where the port cuts', async () => {
    const text =
      sentence('GPGGA,081500.00,4718.0000,N,02930.0000,W,1,09,1.2,12.4,M,,,,') +
      'noise\r\n' +
      sentence('GPRMC,081501.00,A,4718.6000,N,02930.0000,W,003.0,010.0,160526,,,A')
    const bytes = new TextEncoder().encode(text)
    const pieces = [bytes.slice(0, 31), bytes.slice(31, 70), bytes.slice(70)]
    const open = vi.fn(async () => undefined)
    const readable = new ReadableStream<Uint8Array>({
      start(c) {
        pieces.forEach((p) => c.enqueue(p))
        c.close()
      },
    })
    vi.stubGlobal('navigator', {
      serial: { requestPort: async () => ({ open, readable, close: async () => undefined }) },
    })
    const seen: Position[] = []
    const source = await serialSource(9600)
    source.start(
      (p) => seen.push(p),
      () => undefined,
    )
    await vi.waitFor(() => expect(seen).toHaveLength(2))
    expect(open).toHaveBeenCalledWith({ baudRate: 9600 })
    expect(seen[0]).toMatchObject({ lat: 47.3, lon: -29.5, accuracyM: 6, speedMs: null })
    expect(seen[1]!.lat).toBeCloseTo(47.31, 9)
    expect(seen[1]!.speedMs).toBeCloseTo(1.543, 2)
    expect(seen[1]!.courseDeg).toBe(10)
  })
  it('a browser without serial ports says what to take instead', async () => {
    vi.stubGlobal('navigator', {})
    await expect(serialSource()).rejects.toThrow('Take this device’s own position.')
  })
  it('one that falls silent is said', async () => {
    const readable = new ReadableStream<Uint8Array>({
      pull() {
        throw new Error('unplugged')
      },
    })
    vi.stubGlobal('navigator', {
      serial: {
        requestPort: async () => ({ open: async () => undefined, readable, close: async () => undefined }),
      },
    })
    const troubles: string[] = []
    const source = await serialSource()
    source.start(
      () => undefined,
      (t) => troubles.push(t),
    )
    await vi.waitFor(() => expect(troubles).toHaveLength(1))
    expect(troubles[0]).toMatch(/^The receiver fell silent/)
  })
})
