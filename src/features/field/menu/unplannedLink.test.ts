import { describe, expect, it } from 'vitest'
import type { Link, Rig } from '@/core/kit'
import type { TrialPlan } from '@/core/trial'
import { movePrompt } from '../screen/NowCard'
import { unplannedLink } from './unplannedLink'

const rig = (letter: string, txMHz = 446) =>
  ({
    id: letter,
    letter,
    name: letter,
    txMHz,
    powerW: 5,
    antennaGainDbi: 2,
    leadLossDb: 1,
    attenuatorDb: 3,
  }) as unknown as Rig
const link = (letter: string, txMHz?: number): Link => ({
  id: letter,
  letter,
  name: letter,
  base: rig('Z'),
  out: rig(letter, txMHz),
})

describe('a rig nobody planned', () => {
  it('takes the next free letter, the channel and power beside it, and claims no gain', () => {
    const made = unplannedLink({ links: [link('A'), link('B')] } as TrialPlan, link('B'), 'borrowed whip')
    expect(made).toMatchObject({ letter: 'C', name: 'borrowed whip', base: { id: 'Z' } })
    expect(made.out).toMatchObject({
      powerW: 5,
      txMHz: 446,
      antennaGainDbi: null,
      leadLossDb: null,
      attenuatorDb: 0,
    })
    expect(made.out.id).not.toBe('B')
  })
})

describe('a small move between repeats', () => {
  it.each([
    [446, '35 cm'],
    [145, 'one step'],
    [27, 'a few steps'],
    [2400, '10 cm'],
  ])('at %s MHz is about half a wave: %s', (mhz, far) => expect(movePrompt(link('A', mhz))).toContain(far))
})
