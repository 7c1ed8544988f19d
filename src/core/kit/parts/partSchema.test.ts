import { describe, expect, it } from 'vitest'
import * as fc from 'fast-check'
import {
  EXAMPLE_PARTS,
  PART_KINDS,
  partCommonSchema,
  readBands,
  readPairs,
  readPowers,
  specSchema,
  startSpec,
  bandsAsText,
  powersAsText,
  pairsAsText,
} from '..'

describe('parts as they are typed', () => {
  it('every example and every blank start passes its own border, and comes out as it went in', () => {
    for (const { part } of EXAMPLE_PARTS) {
      expect(specSchema(part.kind).validateSync(part.spec)).toEqual(part.spec)
      const { kind: _kind, spec: _spec, ...common } = part
      partCommonSchema.validateSync(common)
    }
    for (const kind of PART_KINDS) expect(() => specSchema(kind).validateSync(startSpec(kind))).not.toThrow()
  })
  const why = (kind: (typeof PART_KINDS)[number], change: object) => {
    try {
      specSchema(kind).validateSync({ ...startSpec(kind), ...change })
      return 'taken'
    } catch (e) {
      return (e as Error).message
    }
  }
  it.each([
    ['lead', { lengthM: -3 }, 'above 0 m'],
    ['lead', { lengthM: 'long' }, 'not a number'],
    ['lead', { lengthM: '' }, 'Length is missing'],
    ['lead', { points: '450 11.8\n900' }, 'Line 2, "900", is not two numbers'],
    ['antenna', { swr: '460 0.9' }, 'an SWR is never below 1'],
    ['antenna', { swr: [{ frequencyMHz: -1, swr: 2 }] }, 'above 0 MHz'],
    ['antenna', { gain: { value: '3', reference: null } }, 'Gain against what? Choose dBi or dBd'],
    ['antenna', { bands: '146 to 144' }, 'must be above the first'],
    ['antenna', { bands: 'two metres' }, 'is no band'],
    ['antenna', { bands: '144000000 to 146000000' }, 'in MHz, please'],
    [
      'antenna',
      { connector: { family: 'SMX', gender: 'male', reverse: false } },
      'no connector that is known',
    ],
    ['antenna', { connector: null }, 'Connector is missing'],
    ['radio', { powers: 'loud' }, 'is no power setting'],
    ['radio', { use: 'toaster' }, 'choose one of the list'],
    ['radio', { swrLimit: 0.5 }, 'At least 1'],
    ['mast', { lowestM: 8, highestM: 4 }, 'must not be below the lowest'],
    ['mount', { tubeFromMm: 50, tubeToMm: 30 }, 'must not be below the smallest'],
    ['attenuator', { db: 0 }, 'above 0 dB'],
    ['protector', { lossDb: -1 }, 'a negative one makes no sense'],
  ] as const)('%s with %j: %s', (kind, change, message) => {
    expect(why(kind, change)).toContain(message)
  })
  it('a claimed gain may lack its reference; an empty one is none', () => {
    const read = (change: object) =>
      specSchema('antenna').validateSync({ ...startSpec('antenna'), ...change })
    expect(read({ claimedGain: { value: '5,5', reference: null } }).claimedGain).toEqual({
      value: 5.5,
      reference: null,
    })
    expect(read({ gain: { value: '', reference: 'dBi' } }).gain).toBeNull()
  })
  it('lists go to text and back', () => {
    expect(readBands('144-146, 430 to 440; 1240–1300 MHz')).toMatchObject({
      ok: true,
      value: [{ fromMHz: 144 }, { toMHz: 440 }, { fromMHz: 1240 }],
    })
    expect(readPowers('high 5; low 500 mW; eco ?; 2')).toEqual({
      ok: true,
      value: [
        { name: 'high', powerW: 5 },
        { name: 'low', powerW: 0.5 },
        { name: 'eco', powerW: null },
        { name: '2 W', powerW: 2 },
      ],
    })
    const frequency = fc.double({ min: 0.2, max: 9000, noNaN: true }).map((v) => Number(v.toFixed(3)))
    fc.assert(
      fc.property(fc.array(fc.tuple(frequency, frequency), { maxLength: 6 }), (pairs) => {
        expect(readPairs(pairsAsText(pairs), '1 2')).toEqual({ ok: true, value: pairs })
        const bands = pairs.map(([f, w]) => ({ fromMHz: f, toMHz: Number((f + w).toFixed(3)) }))
        expect(readBands(bandsAsText(bands))).toEqual({ ok: true, value: bands })
        const powers = pairs.map(([f], i) => ({ name: `step ${'abc'[i % 3]}`, powerW: Math.min(f, 5000) }))
        expect(readPowers(powersAsText(powers))).toEqual({ ok: true, value: powers })
      }),
    )
  })
})
