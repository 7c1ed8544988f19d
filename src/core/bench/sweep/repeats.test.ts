import { describe, expect, it } from 'vitest'
import { seededRandom } from '@/core/stats'
import { sweepsApart } from './repeats'
import type { Sweep } from './sweep'

const F = Array.from({ length: 41 }, (_, i) => 430 + i / 4)
const BAND = { fromMHz: 430, toMHz: 440 }
/** A sweep whose plug moves all of it a little. */
const sweep = (level: number, random: ReturnType<typeof seededRandom>, plug: number): Sweep => {
  const [x, y] = [plug * random.normal(), plug * random.normal()]
  return { frequencyMHz: F, re: F.map(() => level + x), im: F.map(() => y), ohm: 50, phase: true }
}

describe('two ways of measuring an antenna', () => {
  it('cannot be told apart where neither was repeated', () => {
    const r = seededRandom(1)
    const d = sweepsApart([sweep(0.1, r, 0.01)], [sweep(0.3, r, 0.01)], BAND)!
    expect(d.verdict).toBe('cannot tell')
    expect(d.p).toBeNull()
    expect(d.apart).toBeCloseTo(0.2, 1)
  })

  it('differ where they lie apart by much more than they repeat', () => {
    const r = seededRandom(2)
    const group = (level: number) => [0, 1, 2].map(() => sweep(level, r, 0.01))
    const d = sweepsApart(group(0.1), group(0.3), BAND)!
    expect(d.verdict).toBe('differ')
    // 20 lg(1/0.1) and 20 lg(1/0.3)
    expect(d.most.aDb).toBeCloseTo(20, -0.5)
    expect(d.most.bDb).toBeCloseTo(10.5, 0)
  })

  it('are called different 1 time in 20 where they are alike', () => {
    const r = seededRandom(3)
    let differ = 0
    for (let i = 0; i < 2000; i++) {
      const group = () => [0, 1, 2].map(() => sweep(0.2, r, 0.02))
      if (sweepsApart(group(), group(), BAND)!.verdict === 'differ') differ++
    }
    // 2000 tries at 0.05: 100 ± 3·9.7
    expect(differ).toBeGreaterThan(70)
    expect(differ).toBeLessThan(130)
  })

  it('have nothing to compare without a band in common', () => {
    const r = seededRandom(4)
    expect(sweepsApart([sweep(0.1, r, 0)], [sweep(0.1, r, 0)], { fromMHz: 500, toMHz: 510 })).toBeNull()
  })
})
