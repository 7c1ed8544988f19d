import { describe, expect, it } from 'vitest'
import { pickAttenuator, withLeakage, type PartOf } from '..'
import { kit } from '@/core/testing/kit'

describe('pickAttenuator', () => {
  const owned = kit.filter((p): p is PartOf<'attenuator'> => p.kind === 'attenuator')
  const at = {
    edgeM: 8000,
    wantedM: 3000,
    slope: 4,
    powerW: 2,
    owned,
    powers: [
      { name: 'low', powerW: 0.5 },
      { name: 'eco', powerW: null },
    ],
    sits: 'both ways' as const,
  }
  it('10 n lg of the ratio, split over those owned', () => {
    const pick = pickAttenuator(at)
    expect(pick.wantedDb).toBeCloseTo(17.04, 2) // 40 lg(8/3)
    expect(pick.parts.map((p) => p.db).sort()).toEqual([10, 6])
    expect(pick.settings).toMatchObject([{ name: 'low' }])
    expect(pick.settings[0]!.db).toBeCloseTo(6.02, 2)
    expect(pick.unknownSettings).toEqual(['eco'])
    expect(pick.notes.join()).toContain('no attenuator')
    expect(pick.edgeM).toBeGreaterThan(3000)
  })
  it('leaves out what the power would burn, except where only receiving', () => {
    expect(pickAttenuator({ ...at, powerW: 25 }).parts.map((p) => p.db)).toEqual([20])
    expect(pickAttenuator({ ...at, powerW: 25 }).notes[0]).toContain('not rated for 25 W')
    expect(pickAttenuator({ ...at, powerW: 25, sits: 'receive' }).parts).toHaveLength(2)
    expect(pickAttenuator({ ...at, powerW: 25, sits: 'transmit' }).notes.join()).toContain(
      'only the direction',
    )
  })
  it('what leaks round it counts', () => {
    expect(withLeakage(40, 40)).toBeCloseTo(36.99, 2)
    const leaky = pickAttenuator({
      ...at,
      wantedM: 800,
      leakageDb: 20,
      owned: owned.map((o) => ({ ...o, owned: 2 })),
    })
    expect(leaky.effectiveDb).toBeLessThan(20)
    expect(leaky.notes.join()).toContain('goes round it')
  })
  it('refuses an edge that is inside already', () => {
    expect(() => pickAttenuator({ ...at, wantedM: 9000 })).toThrow(/inside already/)
    expect(() => pickAttenuator({ ...at, wantedM: 0 })).toThrow(/above 0/)
  })
})
