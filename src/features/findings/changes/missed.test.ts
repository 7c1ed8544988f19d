import { expect, it } from 'vitest'
import type { Breakdown } from '@/core/findings'
import { missedChange, missedWords } from './missed'

const part = (estimate: number, half: number) => ({
  group: String(estimate),
  marks: 6,
  effect: { estimate, interval90: { low: estimate - half, high: estimate + half } },
})
const by = (what: string, within: ReturnType<typeof part>[], change: object | null = null) =>
  ({
    what,
    pairs: [{ a: 'a', b: 'b', unit: 'dB', within, change, flips: false }],
  }) as unknown as Breakdown['by'][number]

it('is the change that is seen and the doubt of both parts together', () => {
  // 1 dB apart, each known to 3 and 4 dB: 1 + √(9 + 16) is 6.
  expect(missedChange(by('leg', [part(0, 3), part(1, 4)]))).toBeCloseTo(6, 9)
  expect(missedChange(by('leg', [part(0, 3), part(9, 1)], { from: '0', to: '9' }))).toBeNull()
})

it('is said of all that did not change, and of nothing that did', () => {
  const still = [by('leg', [part(0, 3), part(1, 4)]), by('distance', [part(0, 1), part(0, 1)])]
  expect(missedWords(still)).toBe(
    'No change found with leg (up to 6 dB) and distance (up to 2 dB); in brackets, what could have been missed.',
  )
  expect(missedWords([by('leg', [part(0, 3), part(9, 1)], { from: '0', to: '9' })])).toBe('')
})
