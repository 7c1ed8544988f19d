import { describe, expect, it } from 'vitest'
import { nmeaLines, readNmea } from './nmea'

/** Sentences made for these tests; checksums by hand: every character between $ and * combined by exclusive or. */
const sum = (inner: string) => {
  const x = [...inner].reduce((s, c) => s ^ c.charCodeAt(0), 0)
  return `$${inner}*${x.toString(16).toUpperCase().padStart(2, '0')}`
}
const GGA = sum('GPGGA,081500.00,4717.9284,N,02933.4618,W,1,09,1.1,12.4,M,,,,')
const RMC = sum('GNRMC,081501.00,A,4717.9284,S,02933.4618,E,002.5,045.0,160526,,,A')

describe('readNmea', () => {
  it('reads a fix with its height and dilution', () => {
    const fix = readNmea(GGA)!
    expect(fix.lat).toBeCloseTo(47 + 17.9284 / 60, 9)
    expect(fix.lon).toBeCloseTo(-(29 + 33.4618 / 60), 9)
    expect(fix).toMatchObject({ elevationM: 12.4, hdop: 1.1, time: '081500.00', speedMs: null })
  })
  it('reads speed and course, south and east', () => {
    const fix = readNmea(`${RMC}\r`)!
    expect(fix.lat).toBeLessThan(0)
    expect(fix.lon).toBeGreaterThan(0)
    // 2.5 knots of 1852 m an hour.
    expect(fix.speedMs).toBeCloseTo((2.5 * 1852) / 3600, 5)
    expect(fix).toMatchObject({ courseDeg: 45, date: '160526' })
  })
  it.each([
    ['a checksum that is wrong', GGA.slice(0, -2) + '00'],
    ['no checksum', GGA.slice(0, -3)],
    ['no fix', sum('GPGGA,081500.00,,,,,0,00,,,M,,,,')],
    ['void', sum('GPRMC,081501.00,V,4717.9284,N,02933.4618,W,,,160526,,,N')],
    ['another sentence', sum('GPGSV,1,1,00')],
    ['nothing', ''],
  ])('passes %s over', (_what, line) => {
    expect(readNmea(line)).toBeNull()
  })
})

it('pieces from a port become whole lines, and noise without line ends is let go', () => {
  const lines = nmeaLines()
  expect(lines(GGA.slice(0, 20))).toEqual([])
  expect(lines(`${GGA.slice(20)}\r\n${RMC.slice(0, 5)}`)).toEqual([GGA])
  expect(lines(`${RMC.slice(5)}\n`)).toEqual([RMC])
  expect(lines('x'.repeat(2000))).toEqual([])
  expect(lines(`\n${GGA}\n`)).toEqual(['', GGA])
})
