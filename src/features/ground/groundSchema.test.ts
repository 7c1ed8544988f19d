import { describe, expect, it } from 'vitest'
import { kindOfFileArea, typedRing } from './areaWords'
import { areasSchema, movedSchema, siteForm, siteSchema, tapeLegSchema } from './groundSchema'

describe('the border', () => {
  it.each([
    [{ name: '' }, 'Name the place'],
    [{ lat: 97 }, 'Between -89 and 89'],
    [{ role: 'castle' }, 'role'],
    [{ doubtM: -1 }, '0 or more'],
  ])('refuses a place with %j', (change, message) => {
    const place = {
      name: 'North Top',
      lat: '47,3',
      lon: -29.5,
      role: 'relay',
      doubtM: '',
      moves: false,
      note: '',
    }
    expect(siteForm.validateSync(place)).toMatchObject({ lat: 47.3, doubtM: null })
    expect(() => siteForm.validateSync({ ...place, ...change })).toThrow(message)
    const sent = siteForm.validateSync(place)
    expect(() => siteSchema.validateSync({ ...sent, ...change })).toThrow(message)
    expect(() => siteSchema.validateSync({ ...sent, lat: '47.3' })).toThrow('lat must be a number')
    expect(() => siteSchema.validateSync({ ...sent, owner: 'x' })).toThrow('unknown in it: owner')
  })
  it('refuses a mark moved to nowhere', () => {
    expect(() => movedSchema.validateSync({ markId: 'a', place: { lat: 95, lon: 0 } })).toThrow()
    expect(movedSchema.validateSync({ markId: 'a', place: { lat: 47, lon: 0 } })).toMatchObject({
      alongM: null,
    })
  })
})

describe('areas', () => {
  it('typed corners become a closed ring, longitude first', () => {
    expect(typedRing('47.3 -29.5\n47.4; -29.5\n\n47.4,-29.6')).toEqual({
      ring: [
        [-29.5, 47.3],
        [-29.5, 47.4],
        [-29.6, 47.4],
        [-29.5, 47.3],
      ],
    })
  })
  it.each([
    ['47.3 -29.5\n47.4 -29.5', /three corners or more/],
    ['47.3 -29.5\n47.4\n47 -29', /Line 2, "47.4", is no place/],
    ['97.3 -29.5\n47.4 -29\n47 -29', /Line 1 lies off the globe/],
    ['47.3 -29.5 12\n47.4 -29\n47 -29', /Line 1/],
  ])('what is none is said, with its line: %j', (text, message) => {
    const found = typedRing(text)
    expect('problem' in found ? found.problem : 'taken').toMatch(message)
  })
  it('are known by what the file calls them, by other words, or not', () => {
    const area = (kind: string, name = '') => ({ kind, name, heightM: null, rings: [] })
    expect(kindOfFileArea(area('wood'))).toBe('wood')
    expect(kindOfFileArea(area('forest'))).toBe('wood')
    expect(kindOfFileArea(area('', 'Village'))).toBe('suburb')
    expect(kindOfFileArea(area('to cover'))).toBe('to cover')
    expect(kindOfFileArea(area('', 'Area 51'))).toBeNull()
  })
  const ring = [
    [-30, 47],
    [-29, 47],
    [-29, 48],
    [-30, 47],
  ]
  const area = { name: '', kind: 'wood', heightM: 15, rings: [ring] }
  it.each([
    [[area], 'taken'],
    [[], /at least 1/],
    [[{ ...area, kind: 'castle' }], /kind/],
    [[{ ...area, heightM: 500 }], /At most 120 m/],
    [[{ ...area, rings: [ring.slice(0, 2)] }], /three corners/],
    [[{ ...area, rings: [[...ring, [200, 0]]] }], /off the globe/],
  ])('at the border: %#', (value, message) => {
    const said = () => {
      try {
        areasSchema.validateSync(value)
        return 'taken'
      } catch (e) {
        return (e as Error).message
      }
    }
    expect(said()).toMatch(message)
  })
})

it('a leg by tape needs distances that can be', () => {
  const leg = { name: 'Lane', how: 'tape', sdShare: 0.01, distancesM: [50, 100] }
  expect(tapeLegSchema.validateSync(leg)).toMatchObject({ bearingDeg: null })
  expect(() => tapeLegSchema.validateSync({ ...leg, distancesM: [] })).toThrow('at least one distance')
  expect(() => tapeLegSchema.validateSync({ ...leg, distancesM: [0] })).toThrow('At least 1 m')
  expect(() => tapeLegSchema.validateSync({ ...leg, how: 'coordinates' })).toThrow('how')
  expect(() => tapeLegSchema.validateSync({ ...leg, sdShare: 2 })).toThrow()
})
