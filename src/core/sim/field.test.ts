import { describe, expect, it } from 'vitest'
import type { Link } from '@/core/kit'
import { readReport } from '@/core/reports'
import { link as linkOf, mark, planWith, rig as rigOf, RS } from '@/core/testing/plans'
import { medianLevel, ORDINARY_FIELD, simulateRun, type SimulatedField } from './field'

const rig = (id: string, powerW = 2) => rigOf(id, { powerW })
const base = rigOf('z', { powerW: 25, antennaHeightM: 8 })
const links = ['a', 'b'].map((id) => linkOf(rig(id), base))
const scale = RS
const plan = planWith({
  links,
  marks: Array.from({ length: 20 }, (_, i) => mark(`m${i}`, 300 + 300 * i)),
  directions: ['to base', 'from base'],
  order: { scheme: 'balanced', seed: 1 },
})
const field = (more: Partial<SimulatedField> = {}): SimulatedField => ({
  ...ORDINARY_FIELD,
  groundLossDb: 14,
  extraSlopeDb: 24,
  seed: 7,
  gainDbi: { a: 0, b: 6 },
  ...more,
})

describe('the simulated field', () => {
  it('is the same for the same seed and another for another', () => {
    expect(simulateRun(plan, field())).toEqual(simulateRun(plan, field()))
    expect(simulateRun(plan, field())).not.toEqual(simulateRun(plan, field({ seed: 8 })))
  })
  it('forgets some checks, never invents one, and carries out a share if asked', () => {
    expect(simulateRun(plan, field({ forgotten: 0 }))).toHaveLength(80)
    const some = simulateRun(plan, field({ forgotten: 0.3 })).length
    expect(some).toBeGreaterThan(35)
    expect(some).toBeLessThan(76)
    expect(simulateRun(plan, field({ forgotten: 0 }), 0.5)).toHaveLength(40)
  })
  it('gives only reports that the reader can read', () => {
    for (const check of simulateRun(plan, field({ inWords: 0.4 })))
      expect(readReport(check.text, scale).state).not.toBe('not read')
  })
  it('knows power, gain and direction', () => {
    const [a, b] = links as [Link, Link]
    const at = (link: Link, direction: 'to base' | 'from base') => medianLevel(link, direction, 2000, field())
    expect(at(b, 'to base') - at(a, 'to base')).toBeCloseTo(6, 9)
    // 25 W against 2 W: 10 lg 12.5.
    expect(at(a, 'from base') - at(a, 'to base')).toBeCloseTo(10.969, 3)
    expect(medianLevel(a, 'to base', 4000, field())).toBeLessThan(at(a, 'to base') - 12)
  })
  it('is heard near and lost far away, and a retry is only made when a call was lost', () => {
    const checks = simulateRun(plan, field())
    const heard = (ids: string[]) =>
      checks.filter((c) => ids.includes(c.markId) && c.text !== 'not heard').length
    expect(heard(['m0', 'm1', 'm2'])).toBeGreaterThan(heard(['m17', 'm18', 'm19']))
    expect(
      checks.filter((c) => c.text === 'not heard').every((c) => c.calls === ORDINARY_FIELD.mostCalls),
    ).toBe(true)
    expect(simulateRun(plan, field({ mostCalls: 1 })).every((c) => c.calls === 1)).toBe(true)
  })
  it('shares shadowing over links and directions of a mark', () => {
    const flat = {
      groundLossDb: 0,
      extraSlopeDb: 0,
      linkDb: 0,
      fadingDb: 0.01,
      softDb: 0.01,
      inWords: 0,
      forgotten: 0,
    }
    const near = {
      ...plan,
      marks: plan.marks.map((m, i) => ({ ...m, distanceM: 3000, alongM: 900 * i })),
      directions: ['to base' as const],
    }
    const texts = simulateRun(near, field({ ...flat, gainDbi: { a: 0, b: 0 } }))
    for (const mark of near.marks) {
      const here = texts.filter((c) => c.markId === mark.id).map((c) => c.text.split(' by ')[1])
      expect(new Set(here).size).toBe(1)
    }
    expect(new Set(texts.map((c) => c.text)).size).toBeGreaterThan(2)
  })
})
