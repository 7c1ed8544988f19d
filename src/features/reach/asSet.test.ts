import { describe, expect, it } from 'vitest'
import { link, rig } from '@/core/testing/plans'
import { asSet, isUnset, UNSET } from './asSet'

const whip = link(rig('a', { powerW: 2, antennaHeightM: 1.5, txMHz: 145, rxMHz: 145 }))

describe('a link with what is set on the map', () => {
  it('is the kit’s own where nothing is set', () => {
    expect(isUnset(UNSET)).toBe(true)
    expect(asSet(whip, UNSET)).toEqual(whip)
  })

  it('takes heights at either end and power out there, and leaves the rest', () => {
    const set = { ...UNSET, farM: 6, baseM: 12, powerW: 25 }
    expect(isUnset(set)).toBe(false)
    const made = asSet(whip, set)
    expect(made.out).toEqual({ ...whip.out, antennaHeightM: 6, powerW: 25 })
    expect(made.base).toEqual({ ...whip.base, antennaHeightM: 12 })
  })

  it('sends and hears on another frequency at both ends', () => {
    const made = asSet(whip, { ...UNSET, frequencyMHz: 433 })
    for (const end of [made.out, made.base]) expect(end).toMatchObject({ txMHz: 433, rxMHz: 433 })
  })
})
