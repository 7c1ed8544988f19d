import { describe, expect, it } from 'vitest'
import { EXAMPLE_PARTS } from '@/core/kit'
import type { NewMeasurement } from '@/core/bench'
import { addPart, listParts } from '.'
import {
  addMeasurement,
  countMeasurements,
  deleteMeasurement,
  editMeasurement,
  getMeasurement,
  goesBy,
  letPartGoBy,
  listMeasurementHeads,
  listMeasurements,
} from './measurements'
import { freshDatabase } from './testing/database'

const sweepOf = (size: number, partId: string | null, more: object = {}): NewMeasurement => ({
  kind: 'sweep',
  name: `A sweep of ${size}`,
  partId,
  takenAt: '2026-04-18T08:50:00.000Z',
  source: 'typed',
  instrument: '',
  conditions: '',
  body: {
    sweep: { frequencyMHz: [430, 440], re: [size, size], im: [0, 0], ohm: 50, phase: false },
    band: null,
    limitSwr: 2,
    setUp: '',
    calibration: null,
    lead: null,
    ...more,
  },
})
const example = (id: string) => EXAMPLE_PARTS.find((e) => e.id === id)!.part
const set = () => {
  const { db } = freshDatabase()
  const antennaId = addPart(db, EXAMPLE_PARTS.find((e) => e.part.kind === 'antenna')!.part)
  const part = () => {
    const p = listParts(db).find((x) => x.id === antennaId)
    if (p?.kind !== 'antenna') throw new Error('no antenna')
    return p
  }
  return { db, antennaId, part }
}
const made = (outcome: ReturnType<typeof addMeasurement>) => {
  if (!outcome.ok) throw new Error(outcome.problems[0]!.message)
  return outcome.value
}

describe('a measurement', () => {
  it('gives its antenna its SWR, and the older one stays and can count again', () => {
    const { db, antennaId, part } = set()
    const first = made(addMeasurement(db, sweepOf(0.2, antennaId)))
    // |Γ| 0.2 is SWR 1.5, 1/3 is 2
    expect(part().spec.swr).toEqual([
      { frequencyMHz: 430, swr: 1.5 },
      { frequencyMHz: 440, swr: 1.5 },
    ])
    made(addMeasurement(db, sweepOf(1 / 3, antennaId)))
    expect(part().spec.swr[0]!.swr).toBe(2)
    const kept = listMeasurements(db, 'sweep')
    expect(kept).toHaveLength(2)
    expect(kept.filter((m) => goesBy(part(), m)).map((m) => m.name)).toEqual([`A sweep of ${1 / 3}`])
    expect(letPartGoBy(db, first).ok).toBe(true)
    expect(part().spec.swr[0]!.swr).toBe(1.5)
  })

  it('gives an antenna its pattern, from its strongest angle', () => {
    const { db, antennaId, part } = set()
    made(
      addMeasurement(db, {
        ...sweepOf(0, antennaId),
        kind: 'turn',
        body: {
          way: 'pattern',
          readings: [90, 180, 270].map((angleDeg) => ({
            angleDeg,
            db: angleDeg === 180 ? -60 : -70,
            atOrBelow: false,
          })),
          frequencyMHz: 435,
          lossDb: 0,
          body: '',
        },
      } as NewMeasurement),
    )
    expect(part().spec.pattern).toEqual([
      { angleDeg: 0, db: 0 },
      { angleDeg: 90, db: -10 },
      { angleDeg: 270, db: -10 },
    ])
  })

  it('of a lead gives its loss and its velocity factor', () => {
    const { db } = set()
    const leadId = addPart(db, EXAMPLE_PARTS.find((e) => e.part.kind === 'lead')!.part)
    // Half the voltage comes back of 10 m: 6.02 dB there and back, 3.01 one way, 30.1 dB a hundred metres.
    const f = Array.from({ length: 11 }, (_, i) => 100 + i)
    const turn = (mhz: number) => (-4 * Math.PI * mhz * 10) / (0.66 * 299.792458)
    const sweep = {
      frequencyMHz: f,
      re: f.map((x) => 0.5 * Math.cos(turn(x))),
      im: f.map((x) => 0.5 * Math.sin(turn(x))),
      ohm: 50,
      phase: true,
    }
    made(addMeasurement(db, sweepOf(0, leadId, { sweep, lead: { lengthM: 10, other: null } })))
    const lead = listParts(db).find((p) => p.id === leadId)
    expect(listMeasurementHeads(db, 'sweep')[0]!.of).toBe('lead')
    if (lead?.kind !== 'lead') throw new Error('no lead')
    expect(lead.spec.velocityFactor).toBeCloseTo(0.66, 3)
    expect(lead.spec.points[0]!.dbPer100m).toBeCloseTo(30.1, 1)
  })

  it('leaves a part of another kind as it is, and is kept by itself', () => {
    const { db } = set()
    const radio = example('handheld-uhf')
    const radioId = addPart(db, radio)
    made(addMeasurement(db, sweepOf(0.2, radioId)))
    expect(listParts(db).find((p) => p.id === radioId)!.spec).toEqual(radio.spec)
    made(addMeasurement(db, sweepOf(0.2, null)))
    expect(countMeasurements(db)).toBe(2)
  })

  it('is refused whole for a part that is gone, and changed only from what was read', () => {
    const { db, antennaId } = set()
    expect(addMeasurement(db, sweepOf(0.2, 'gone')).ok).toBe(false)
    expect(countMeasurements(db)).toBe(0)
    const id = made(addMeasurement(db, sweepOf(0.2, null)))
    const change = { name: 'Renamed', partId: antennaId, conditions: 'dry' }
    expect(editMeasurement(db, id, 1, change).ok).toBe(true)
    expect(editMeasurement(db, id, 1, change).ok).toBe(false)
    expect(letPartGoBy(db, 'gone').ok).toBe(false)
    expect(listMeasurementHeads(db, 'sweep')).toEqual([
      expect.objectContaining({ id, name: 'Renamed', of: null }),
    ])
    expect(listMeasurementHeads(db, 'sweep')[0]).not.toHaveProperty('body')
    expect(getMeasurement(db, id)).toMatchObject({ id, body: { limitSwr: 2 } })
    deleteMeasurement(db, id)
    expect(getMeasurement(db, id)).toBeNull()
    expect(listMeasurements(db, 'sweep')).toEqual([])
  })
})
