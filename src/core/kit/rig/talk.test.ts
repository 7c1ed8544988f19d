import { describe, expect, it } from 'vitest'
import { isAllStrangers, usualLinks, whyNoTalk } from './talk'

const rig = (
  id: string,
  kind: 'base' | 'handheld' | 'other station',
  txMHz = 460,
  rxMHz: number | null = null,
) => ({
  id,
  name: id,
  kind,
  txMHz,
  rxMHz,
})

describe('who can talk to whom', () => {
  it('one channel, or one way of a split pair, is enough; two bands are not, and the reason names both', () => {
    expect(whyNoTalk(rig('base', 'base'), rig('out', 'handheld'))).toBeNull()
    expect(whyNoTalk(rig('base', 'base', 460, 465), rig('out', 'handheld', 465, 460))).toBeNull()
    expect(whyNoTalk(rig('base', 'base'), rig('out', 'handheld', 145.5))).toBe(
      'out is on 145.5 MHz, base listens on 460 MHz.',
    )
  })
  it('compares every rig out there with every one at the base, as long as nobody chose', () => {
    const rigs = [rig('z', 'base'), rig('a', 'handheld'), rig('b', 'handheld', 145.5), rig('c', 'handheld')]
    expect(usualLinks(rigs, 8)).toEqual([
      { baseRigId: 'z', outRigId: 'a' },
      { baseRigId: 'z', outRigId: 'c' },
    ])
    expect(usualLinks(rigs, 1)).toHaveLength(1)
    expect(usualLinks([rig('a', 'handheld'), rig('s', 'other station')], 8)).toEqual([])
    // Whoever answers is left out beside rigs of ours, and is the far end where there are none.
    const wires = [rig('dipole', 'base'), rig('rod', 'base'), rig('s', 'other station')]
    expect(usualLinks([...wires, rig('a', 'handheld')], 8).map((l) => l.outRigId)).toEqual(['a', 'a'])
    expect(usualLinks(wires, 8).map((l) => l.baseRigId)).toEqual(['dipole', 'rod'])
    expect(isAllStrangers([{ out: rig('s', 'other station') }])).toBe(true)
    expect(isAllStrangers([{ out: rig('s', 'other station') }, { out: rig('a', 'handheld') }])).toBe(false)
    expect(isAllStrangers([])).toBe(false)
  })
})
