import { expect, it } from 'vitest'
import { direct, inverse, ringCrossings } from '.'

const base = { lat: 47.3, lon: -29.55 }

it('marks a way where it crosses rings, by crow-flies distance, out and home again', () => {
  const out = direct(base, 70, 2600)
  const track = [base, direct(base, 40, 1200), out, direct(base, 120, 900)]
  const all = ringCrossings(track, base, 500)
  for (const c of all) expect(inverse(base, c.place).distanceM).toBeCloseTo(c.ringM, -0.5)
  expect(all.map((c) => c.ringM)).toEqual([500, 1000, 1500, 2000, 2500, 2500, 2000, 1500, 1000])
  expect(all.every((c, i) => i === 0 || c.alongM > all[i - 1]!.alongM)).toBe(true)
  expect(ringCrossings(track, base, 500, true).map((c) => c.ringM)).toEqual([500, 1000, 1500, 2000, 2500])
  expect(ringCrossings([base], base, 500)).toEqual([])
  expect(() => ringCrossings(track, base, 0)).toThrow(/spacing/)
})
