import { describe, expect, it } from 'vitest'
import { asPlanned, designsOf, powerSays, type PowerRow } from './powerWords'

const row = (marks: number, repeats: number, told: number): PowerRow => ({ marks, repeats, told, tries: 50 })
const planned = (marks: number, marginDb: number) => ({ marks, repeats: 1, marginDb })

describe('what the tries say of a plan', () => {
  it('is enough, or could be less', () => {
    expect(powerSays([row(14, 1, 44), row(7, 1, 20)], planned(14, 3))).toBe(
      'As planned it would tell a difference of 3 dB in 88 of 100. That is enough.',
    )
    expect(powerSays([row(20, 1, 50), row(10, 1, 42)], planned(20, 3))).toContain('10 marks would do.')
  })
  it('names the least that would be enough, or that none would', () => {
    const rows = [row(14, 1, 20), row(28, 1, 41), row(14, 2, 30), row(28, 2, 48)]
    expect(powerSays(rows, planned(14, 3))).toBe(
      'As planned it would tell a difference of 3 dB in 40 of 100. 28 marks would tell it in 82.',
    )
    expect(powerSays([row(14, 1, 5), row(28, 1, 9)], planned(14, 1))).toContain(
      'Not even twice the marks would do',
    )
    expect(powerSays([], planned(14, 3))).toBe('')
  })
  it('says how the plan does as soon as that is known, and nothing before', () => {
    const rows = [row(14, 1, 20)]
    expect(asPlanned(rows, planned(14, 3))).toBe(
      'As planned it would tell a difference of 3 dB in 40 of 100.',
    )
    expect(asPlanned(rows, planned(20, 3))).toBe('')
  })
  it('tries the plan, fewer and more marks, and each check once more', () => {
    expect(designsOf(14, 1)).toEqual([
      { marks: 14, repeats: 1 },
      { marks: 7, repeats: 1 },
      { marks: 21, repeats: 1 },
      { marks: 28, repeats: 1 },
      { marks: 14, repeats: 2 },
      { marks: 28, repeats: 2 },
    ])
    expect(designsOf(60, 1).every((d) => d.marks <= 80)).toBe(true)
  })
})
