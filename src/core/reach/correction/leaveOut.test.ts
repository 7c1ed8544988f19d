import { describe, expect, it } from 'vitest'
import { direct } from '@/core/geo'
import { seededRandom } from '@/core/stats/numeric/seededRandom'
import { learnCorrection, type MarginSeen } from './learnCorrection'
import { honestCheck } from './leaveOut'

const BASE = { lat: 47.3, lon: -29.55 }

/**
 * Checks along ways out over ground that a prediction knows in part: `ground` dB of what it says of each place is true,
 * and all of it lies 15 dB too high.
 */
function log(ways: number, ground: number, believed = ground): MarginSeen[] {
  const random = seededRandom(3)
  return Array.from({ length: ways * 10 }, (_, i): MarginSeen[] => {
    const distanceM = 400 * (1 + (i % 10))
    const way = Math.floor(i / 10)
    const hill = random.normal()
    const law = 30 - 40 * Math.log10(distanceM / 1200)
    const margin = law + ground * hill + 3 * random.normal()
    const one = {
      checkId: `${way} ${i}`,
      key: 'A',
      direction: 'to base' as const,
      place: direct(BASE, 120 * way, distanceM),
      distanceM,
      predictedDb: law + 15 + believed * hill,
    }
    const unit = Math.round(margin / 6)
    return [
      { ...one, meter: null, lower: margin > 0 ? 0 : -Infinity, upper: margin > 0 ? Infinity : 0 },
      { ...one, meter: 'base', lower: 6 * unit - 3, upper: 6 * unit + 3 },
    ]
  }).flat()
}
const checked = (seen: MarginSeen[]) => honestCheck(seen, learnCorrection(seen)!, (id) => id.split(' ')[0]!)

describe('the log held against itself', () => {
  it('where the ground counts, what is corrected tells it best, by ways out and by marks', () => {
    const { marks, legs, holds } = checked(log(3, 12))
    expect(holds).toBe(true)
    for (const out of [marks!, legs!]) {
      expect(out.copies).toBe(30)
      expect(out.right.corrected).toBeGreaterThanOrEqual(out.right['prediction alone'])
      expect(out.brier.corrected).toBeLessThan(out.brier['distance alone'])
      expect(out.rmsDb!.corrected).toBeLessThan(out.rmsDb!['distance alone'])
      expect(out.held).toBeGreaterThan(0.75)
    }
  })
  it('where what it believes of the ground is not so, distance alone does better, and that is said', () => {
    const { legs, holds } = checked(log(3, 0, 20))
    expect(legs!.brier['distance alone']).toBeLessThan(legs!.brier.corrected)
    expect(holds).toBe(false)
  })
  it('one way out says nothing of the others; one mark says nothing at all', () => {
    const one = checked(log(1, 12))
    expect(one.legs).toBeNull()
    expect(one.marks!.copies).toBe(10)
    const single = log(1, 12).slice(0, 2)
    expect(checked(single)).toEqual({ marks: null, legs: null, holds: false })
  })
})
