import { describe, expect, it } from 'vitest'
import { checked } from '@/core/schema'
import { measurementSchema } from './kept'

const sweep = { frequencyMHz: [430, 440], re: [0.1, 0.2], im: [0, 0], ohm: 50, phase: true }
const given = (body: object = {}, more: object = {}) => ({
  kind: 'sweep',
  name: 'A sweep',
  partId: null,
  takenAt: '2026-04-18T08:50:00.000Z',
  source: 'file',
  body: { sweep, limitSwr: 2, ...body },
  ...more,
})
const codes = (raw: unknown, kind: Parameters<typeof measurementSchema>[0] = 'sweep') => {
  const r = checked(measurementSchema(kind), raw)
  return r.ok ? [] : r.problems.map((p) => p.where)
}

describe('a measurement at the border', () => {
  it('is taken as it is, a lead with and without its other end', () => {
    expect(codes(given())).toEqual([])
    expect(codes(given({ lead: { lengthM: 12, other: null } }))).toEqual([])
    expect(codes(given({ lead: { lengthM: 12, other: sweep } }))).toEqual([])
  })

  it('is refused by the field that is wrong', () => {
    expect(codes(given({}, { name: ' ' }))).toEqual(['name'])
    expect(codes(given({ sweep: { ...sweep, re: [0.1] } }))).toEqual(['body.sweep'])
    expect(codes(given({ sweep: { ...sweep, frequencyMHz: [440, 430] } }))).toEqual(['body.sweep'])
    expect(codes(given({ sweep: { ...sweep, re: [0.1, Number.NaN] } }))).not.toEqual([])
    expect(codes(given({ limitSwr: 1 }))).toEqual(['body.limitSwr'])
    expect(codes(given({ band: { fromMHz: 440, toMHz: 430 } }))).toEqual(['body.band'])
    expect(codes(given({ more: 1 }))).not.toEqual([])
    expect(codes(given({}, { source: 'hearsay' }))).toEqual(['source'])
  })

  it('is refused where its body is that of another kind', () => {
    expect(codes(given({}, { kind: 'turn' }), 'turn')).not.toEqual([])
  })
})
