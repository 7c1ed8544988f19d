import { describe, expect, it } from 'vitest'
import type { Gpx } from '@/core/formats'
import { direct, inverse } from '@/core/geo'
import { baseForm, bearingLegForm, legSchema } from './groundSchema'
import { bearingLeg, trackLeg, waypointLeg } from './legs'

const base = { lat: 47.3, lon: -29.5 }
const point = (name: string, bearing: number, m: number) => ({
  ...direct(base, bearing, m),
  name,
  elevationM: 4,
  time: null,
})
const gpx: Gpx = {
  waypoints: [
    { ...base, name: 'BASE', elevationM: null, time: null },
    point('W2', 90, 1500),
    point('W1', 90, 500),
    point('Far', 0, 4000),
  ],
  tracks: [
    { name: 'Pier', kind: 'track', points: [0.01, 500, 1000, 1500, 2000].map((m) => point('', 90, m)) },
  ],
}

describe('legs', () => {
  it('hold places alone, so that the border takes them: not the name of the base, nor times of a file', () => {
    const named = { ...base, name: 'Harbour' }
    const legs = [
      bearingLeg(named, 'Shore', 75, 400, 3),
      waypointLeg(named, gpx, 'All'),
      ...(['spacing', 'crow', 'rings'] as const).map((kind) =>
        trackLeg(named, gpx, 0, 'Pier', { kind, spacingM: 400 }),
      ),
      trackLeg(named, gpx, 0, 'Pier', { kind: 'waypoints' }),
    ]
    for (const leg of legs) expect(legSchema.validateSync(leg).marks.length).toBeGreaterThan(0)
  })
  it('by bearing: even marks named after the leg', () => {
    const leg = bearingLeg(base, 'Shore road', 75, 400, 3)
    expect(leg.marks.map((m) => m.name)).toEqual(['S01', 'S02', 'S03'])
    expect(inverse(base, leg.marks[2]!.place).distanceM).toBeCloseTo(1200, 6)
  })
  it('from a way: at its waypoints, in order, without the base and what lies off it', () => {
    const leg = trackLeg(base, gpx, 0, 'Pier', { kind: 'waypoints' })
    expect(leg.marks.map((m) => m.name)).toEqual(['W1', 'W2'])
    expect(leg.track[1]).toMatchObject({ elevationM: 4 })
  })
  it('from a way: every so many metres along it', () => {
    const leg = trackLeg(base, gpx, 0, 'Pier', { kind: 'spacing', spacingM: 800 })
    expect(leg.marks.map((m) => m.alongM)).toEqual([800, 1600])
    expect(trackLeg(base, gpx, 0, 'Pier', { kind: 'spacing', spacingM: 9000 }).marks).toEqual([])
  })
  it('of waypoints alone, nearest first', () => {
    expect(waypointLeg(base, gpx, 'All').marks.map((m) => m.name)).toEqual(['W1', 'W2', 'Far'])
  })
})

describe('ground forms', () => {
  const why = (schema: { validateSync: (v: unknown) => unknown }, value: unknown) => {
    try {
      schema.validateSync(value)
      return 'taken'
    } catch (e) {
      return (e as Error).message
    }
  }
  it('takes a decimal comma, refuses what lies off the globe', () => {
    expect(baseForm.validateSync({ name: 'Quay', lat: '47,3', lon: '-29.5' })).toMatchObject({
      lat: 47.3,
      lon: -29.5,
    })
    expect(why(baseForm, { name: 'Quay', lat: '97', lon: '0' })).toBe('Between -89 and 89 degrees')
    expect(why(baseForm, { name: 'Quay', lat: 'north', lon: '0' })).toBe('This is not a number')
    expect(why(baseForm, { name: 'Quay', lat: '', lon: '0' })).toBe('The latitude is missing')
  })
  it('refuses a leg that cannot be', () => {
    const leg = { name: 'Pier', bearingDeg: '75', spacing: '400', count: '8' }
    expect(why(bearingLegForm, leg)).toBe('taken')
    expect(why(bearingLegForm, { ...leg, bearingDeg: '400' })).toBe('0 to 360 degrees')
    expect(why(bearingLegForm, { ...leg, spacing: '0' })).toBe('Spacing must be above 0')
    expect(why(bearingLegForm, { ...leg, count: '2.5' })).toBe('A whole number')
    expect(why(legSchema, { name: 'Pier', how: 'track', track: [], marks: [] })).toContain('no marks')
  })
})
