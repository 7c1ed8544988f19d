import { describe, expect, it } from 'vitest'
import { alwaysValidInterval, seededRandom } from '@/core/stats'
import { checkOf, link as linkOf, planWith, rig } from '@/core/testing/plans'
import { asLogged, foldEntries } from '@/core/trial'
import { whileOut, whileOutWords } from '..'

const handheld = (id: string, powerW = 2) => rig(id, { txMHz: 446, antennaHeightM: 1.5, powerW })
const link = (id: string, powerW?: number) => linkOf(handheld(id, powerW), handheld('Z'))
const plan = (links: ReturnType<typeof link>[]) => planWith({ links })
const logOf = (reports: [string, string, string][]) => ({
  ...foldEntries([]),
  checks: reports.map(([markId, linkId, text], i) =>
    asLogged(checkOf(markId, linkId, text), { id: `${i}`, time: '', device: 'd', role: 'out there' }),
  ),
})
const name = (id: string) => `Rig ${id}`

describe('while still out there', () => {
  it('answers once the interval that allows for looking leaves nought', () => {
    const marks = (n: number) =>
      logOf(
        Array.from({ length: n }, (_, i): [string, string, string][] => [
          [`m${i}`, 'A', `5 by ${8 - (i % 2)}`],
          [`m${i}`, 'B', `5 by ${5 - (i % 3)}`],
        ]).flat(),
      )
    expect(whileOutWords(whileOut(plan([link('A'), link('B')]), marks(2)), name)).toBeNull()
    const found = whileOut(plan([link('A'), link('B')]), marks(9))
    expect(found[0]).toMatchObject({ a: 'A', b: 'B', marks: 9, better: 'a' })
    // Its interval is that of the differences at the marks: S8 or S7 less S5, S4 or S3, at 6 dB a step.
    const expected = alwaysValidInterval(
      Array.from({ length: 9 }, (_, i) => 6 * (8 - (i % 2) - (5 - (i % 3)))),
    )
    expect(found[0]!.low).toBeCloseTo(expected.low!, 9)
    expect(whileOutWords(found, name)).toBe('Answered, you may stop: Rig A is better than Rig B.')
  })
  it('takes the known power out, so that a stronger radio is no better antenna', () => {
    const same = logOf(
      Array.from({ length: 12 }, (_, i): [string, string, string][] => [
        [`m${i}`, 'A', `5 by ${7 - (i % 2)}`],
        [`m${i}`, 'B', `5 by ${6 - (i % 2)}`],
      ]).flat(),
    )
    const found = whileOut(plan([link('A', 8), link('B', 2)]), same)
    expect((found[0]!.low + found[0]!.high) / 2).toBeCloseTo(6 - 10 * Math.log10(4), 9)
  })
  it('equal rigs, looked at after every mark, are called different in fewer than one trial of ten', () => {
    let called = 0
    for (let seed = 1; seed <= 60; seed++) {
      const r = seededRandom(seed)
      const reports: [string, string, string][] = []
      for (let i = 0; i < 20; i++) {
        const level = 6 + 1.2 * r.normal()
        for (const l of ['A', 'B'])
          reports.push([`m${i}`, l, `5 by ${Math.max(1, Math.min(8, Math.round(level + 0.7 * r.normal())))}`])
        if (whileOut(plan([link('A'), link('B')]), logOf(reports)).some((f) => f.better)) {
          called++
          break
        }
      }
    }
    // Nominal at most 6 of 60; more than 11 come by chance about once in a hundred times.
    expect(called).toBeLessThanOrEqual(11)
  })
  it('not heard, words, and what was only sent say nothing here', () => {
    const log = logOf([
      ['m1', 'A', 'not heard'],
      ['m1', 'B', '5 by 7'],
      ['m2', 'A', 'loud and clear'],
      ['m2', 'B', '5 by 7'],
    ])
    expect(whileOut(plan([link('A'), link('B')]), log)).toEqual([])
    expect(whileOutWords([], name)).toBeNull()
  })
})
