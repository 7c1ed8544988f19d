import { describe, expect, it } from 'vitest'
import type { TrialPlan } from '@/core/trial'
import { ORDINARY_FIELD, simulateRun } from '@/core/sim'
import { breakdownOf, inputOf, makeFindings, prepareFindings, reachText, verdictWords } from '..'
import { matrixWords, byWords, driftWords, togetherWords } from '../breakdown'
import { link, logged, plan, rig } from '@/core/testing/plans'

/** Every number in it, wherever it stands. */
function numbersIn(value: unknown, at = ''): [string, number][] {
  if (typeof value === 'number') return [[at, value]]
  if (value instanceof Map || value === null || typeof value !== 'object') return []
  return Object.entries(value).flatMap(([k, v]) => numbersIn(v, `${at}.${k}`))
}

const two = [link(rig('a')), link(rig('b'))]
const FIELD = { ...ORDINARY_FIELD, groundLossDb: 8, extraSlopeDb: 6, seed: 3, gainDbi: {}, inWords: 0 }
type Check = ReturnType<typeof simulateRun>[number]

async function told(p: TrialPlan, say: (c: Check, i: number) => string | null = (c) => c.text) {
  const checks = simulateRun(p, FIELD).flatMap((c, i) => {
    const text = say(c, i)
    return text === null ? [] : [{ ...c, text, calls: 1 }]
  })
  const input = inputOf(p, p.marks, logged(checks), true)
  const prepared = prepareFindings(input)
  const findings = makeFindings(input, prepared)
  const breakdown = await breakdownOf(input, prepared, null)
  for (const [at, v] of [...numbersIn(findings), ...numbersIn(breakdown)])
    expect(Number.isNaN(v), `${at} is no number`).toBe(false)
  const id = (x: string) => x
  const words = [
    ...findings.pairs.map((x) => `${verdictWords(x, id).lead} ${verdictWords(x, id).detail}`),
    ...findings.usable.map((u) => reachText(u.reach, 'metric')),
    ...(breakdown.matrix ? matrixWords(breakdown.matrix) : []),
    ...breakdown.by.flatMap((g) => g.pairs.map((x) => byWords(g.what, x, id))),
    ...driftWords(breakdown.drift),
  ]
  for (const w of words) expect(w).not.toMatch(/NaN|undefined|Infinity|null/)
  return { findings, breakdown, words: words.join('\n') }
}

describe('a log that can carry little gets a sentence and no confident number', () => {
  it('one mark only', async () => {
    const { words } = await told(plan(two, 1))
    expect(words).toContain('Cannot tell a from b yet')
    expect(words).toContain('cannot tell from fewer than four marks')
  })
  it('all heard: the reach is "at least"', async () => {
    expect((await told(plan(two, 12), () => '5 by 8')).words).toContain('copied at every mark out to')
  })
  it('none heard: "less than the nearest"', async () => {
    const { words } = await told(plan(two, 12), () => 'not heard')
    expect(words).toContain('not even at the nearest mark')
    expect(words).toContain('Cannot tell a from b yet')
  })
  it('one rig only: no pair, and a reach all the same', async () => {
    const { findings } = await told(plan([two[0]!], 12))
    expect(findings.pairs).toEqual([])
    expect(findings.usable.length).toBeGreaterThan(0)
  })
  it('everything at full scale', async () => {
    const { findings } = await told(plan(two, 12), () => '5 by 9+60')
    expect(findings.pairs.every((x) => x.verdict.kind === 'cannot tell')).toBe(true)
  })
  it('all the same report: alike or cannot tell, never better', async () => {
    const { findings } = await told(plan(two, 12), () => '3 by 5')
    expect(findings.pairs.every((x) => x.verdict.kind !== 'better')).toBe(true)
  })
  it('two scales mixed in one run: what cannot be read is left out and said', async () => {
    const { findings } = await told(plan(two, 12), (c, i) => (i % 2 ? '-97 dBm' : c.text))
    expect(findings.leftOut.some((l) => l.why === 'the report could not be read')).toBe(true)
  })
  it('a rig with three checks', async () => {
    const { findings } = await told(plan(two, 12), (c) =>
      c.linkId === 'b' && !['m0', 'm1', 'm2'].includes(c.markId) ? null : c.text,
    )
    expect(findings.pairs.every((x) => x.verdict.kind === 'cannot tell')).toBe(true)
  })
  it('distances all equal', async () => {
    const p = plan(two, 10)
    const { findings } = await told({
      ...p,
      marks: p.marks.map((m) => ({ ...m, distanceM: 800, alongM: 800 })),
    })
    expect(findings.levels).toBeNull()
    expect(findings.pairs.every((x) => x.trend === null)).toBe(true)
  })
  it('rigs that differ in everything: nothing is credited to one of them', async () => {
    const traits = (n: string) => ({
      antenna: `antenna ${n}`,
      radio: `radio ${n}`,
      radioUnit: `unit ${n}`,
      mode: `mode ${n}`,
    })
    const all = ['a', 'b', 'c'].map((x, i) =>
      link(rig(x, { traits: traits(x), powerW: 2 * (i + 1), antennaHeightM: 1 + i, txMHz: 440 + i })),
    )
    const { breakdown } = await told(plan(all, 12))
    expect(breakdown.matrix).toBeNull()
    expect(breakdown.together.map(togetherWords)).toEqual([
      'Antenna, radio, radio unit, height, mode and channel out there always changed together; nothing can be credited to one of them.',
    ])
  })
  it('no checks at all', async () => {
    expect((await told(plan(two, 12), () => null)).findings.checks).toBe(0)
  })
})
