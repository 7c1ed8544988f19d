import { describe, expect, it } from 'vitest'
import { clearingHeightM, inSightHeightM } from '@/core/terrain'
import { mastWords } from './mastWords'

const said = (near: number, far: number, touches: number | null) =>
  mastWords({ near, far }, touches, 'the harbour', 'S04', 'metric')

describe('what mast would clear the ground', () => {
  it('is one at the base where one can be carried', () => {
    expect(said(11.2, 4, 6.4)).toBe(
      'A mast of 12 m at the harbour would clear it; 7 m at the harbour bring the loss of the ground to 6 dB.',
    )
  })

  it('is the far antenna where a bump just before it rules, and no tower at the base', () => {
    // 6 km of flat ground, 4 m of bank 100 m before the far end.
    const distancesKm = Float64Array.from({ length: 121 }, (_, i) => i / 20)
    const heightsM = distancesKm.map((_, i) => (i === 118 ? 9 : 5))
    const profile = { distancesKm, heightsM }
    const near = clearingHeightM(profile, 1.5, 460)
    const far = inSightHeightM(profile, 8)
    // By hand: from 13 m over the bank's top at 9.03 m, 5.9 km out, bulge and all: down 0.67 m a km, 8.96 m at the end.
    expect(near).toBeGreaterThan(120)
    expect(far).toBeCloseTo(3.97, 1)
    expect(said(near, far, null)).toBe(
      'No mast at the harbour clears it, but an antenna 4 m up at S04 is in sight, or one on what is in the way; none at the harbour brings the loss of the ground to 6 dB.',
    )
  })

  it('is none where neither end can clear it', () => {
    expect(said(241, 90, 150)).toMatch(
      /^No mast that can be carried at the harbour clears it; none at the harbour/,
    )
  })
})
