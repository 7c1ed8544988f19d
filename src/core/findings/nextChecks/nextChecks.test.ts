import { describe, expect, it } from 'vitest'
import { ORDINARY_FIELD, simulateRun } from '@/core/sim'
import { seededRandom } from '@/core/stats'
import { link, logged, mark, planWith, rig } from '@/core/testing/plans'
import { inputOf, nextUnder, nextWords, prepareFindings, type FindingsInput } from '..'
import { narrowingBy } from './narrowing'

const name = (id: string) => `Rig ${id}`

describe('narrowingBy', () => {
  it('is what is known of a normal figure read with noise: one less the root of what is left', () => {
    const random = seededRandom(5)
    const target = Array.from({ length: 20_000 }, () => random.normal())
    // Read with as much noise again, half of the variance is left: 1 - √½ of the spread goes; steps take a little more.
    const groups = target.map((v) => String(Math.round(3 * (v + random.normal()))))
    expect(narrowingBy(target, groups)).toBeCloseTo(1 - Math.SQRT1_2, 1)
  })
  it('is nothing where the groups have nothing to do with it, and no promise where each stands alone', () => {
    const random = seededRandom(6)
    const target = Array.from({ length: 2000 }, () => random.normal())
    expect(
      narrowingBy(
        target,
        target.map((_, i) => String(i % 7)),
      ),
    ).toBeLessThan(0.01)
    expect(
      narrowingBy(
        target,
        target.map((_, i) => String(i)),
      ),
    ).toBe(0)
    expect(narrowingBy([3, 3, 3], ['a', 'b', 'c'])).toBe(0)
  })
})

describe('nextChecks', () => {
  const plan = planWith({
    links: [link(rig('a')), link(rig('b'))],
    directions: ['to base', 'from base'],
    marks: Array.from({ length: 14 }, (_, i) => mark(`m${i}`, 300 * (i + 1), { alongM: 300 * (i + 1) })),
  })
  const field = {
    ...ORDINARY_FIELD,
    gainDbi: { a: -3, b: -3 },
    groundLossDb: 22,
    extraSlopeDb: 14,
    inWords: 0,
    forgotten: 0,
  }
  const under = (seed: number, more: Partial<FindingsInput> = {}) => {
    const run = simulateRun(plan, { ...field, seed })
    const input = { ...inputOf(plan, plan.marks, logged(run), true), ...more }
    return nextUnder(input, prepareFindings(input))
  }

  it('of a pair that cannot be told: marks where both are heard, never those where neither is', () => {
    const next = under(5, { marginDb: 1 })!
    expect(next.about).toEqual({ kind: 'difference', a: 'a', b: 'b' })
    expect(next.marks).toHaveLength(14)
    const worth = (id: string) => next.marks.find((m) => m.markId === id)!.narrows
    expect(worth(next.marks[0]!.markId)).toBeGreaterThan(0)
    // Four kilometres out neither is ever heard.
    expect(worth('m13')).toBeLessThan(worth(next.marks[0]!.markId))
    expect(nextWords(next, name, (id) => id)).toMatch(
      /^To settle Rig a against Rig b, check both there first: m\d+, m\d+ and m\d+\. One more visit to m\d+ is expected to take \d+ % off/,
    )
  })
  it('of a need that is not settled: marks about as far out as it reaches', () => {
    const next = under(4, { need: { floorM: 1500, ceilingM: null } })!
    expect(next.about.kind).toBe('need')
    expect(nextWords(next, name, (id) => id)).toMatch(/^To settle whether Rig [ab] is enough/)
  })
  it('is not the three nearest marks every day', () => {
    const days = [11, 12, 13].map((seed) =>
      under(seed, { need: { floorM: 1800, ceilingM: null } })!
        .marks.slice(0, 3)
        .map((m) => m.markId),
    )
    expect(new Set(days.flat()).size).toBeGreaterThan(3)
  })
  it('of one place: nothing, for no mark is better than another', () => {
    const one = { ...plan, marks: [mark('m0', 900)] }
    const input = inputOf(one, one.marks, logged(simulateRun(one, { ...field, seed: 3 })), true)
    expect(nextUnder(input, prepareFindings(input))).toBeNull()
  })
})
