import { describe, expect, it } from 'vitest'
import { checkOf, link, plan, rig } from '@/core/testing/plans'
import { defaultScale, type ScaleKind } from '@/core/reports'
import { asLogged, plannedChecks } from '@/core/trial'
import {
  breakdownOf,
  byWords,
  driftWords,
  inputOf,
  makeFindings,
  matrixWords,
  prepareFindings,
  verdictWords,
} from '..'
import { answerByLevel } from '../answer/byLevel'
import type { AnswerFrom } from '../answer/types'
import { cautionWords } from '../cautions/cautionWords'
import type { DifferenceUnit } from '../joint/jointFit'
import type { DifferenceBy } from '../breakdown/differencesBy'
import type { StepSeen } from '../cautions/stepSeen'
import type { Effect } from '../joint/effects'

type Says = (link: number, mark: number, round: number) => string

/** A run of two links one way, 200 m from mark to mark, or at one place. */
function runOf(kind: ScaleKind, marks: number, rounds: number, says: Says) {
  const links = [link(rig('A')), link(rig('B'))]
  const tried = { ...plan(links, marks, defaultScale(kind), rounds), directions: ['to base' as const] }
  const checks = plannedChecks(tried).map((c, n) => {
    const [l, m] = [
      links.findIndex((x) => x.id === c.linkId),
      tried.marks.findIndex((x) => x.id === c.markId),
    ]
    const body = checkOf(c.markId, c.linkId, says(l, m, c.repeat), {
      direction: c.direction,
      repeat: c.repeat,
    })
    const time = new Date(Date.UTC(2026, 4, 16, 8, 2 * n)).toISOString()
    return asLogged(body, { id: `c${n}`, time, device: 'd', role: 'out there' })
  })
  const input = inputOf(tried, tried.marks, checks, true)
  const prepared = prepareFindings(input)
  return { tried, input, prepared, findings: makeFindings(input, prepared) }
}

const id = (x: string) => x
const leadOf = ({ findings }: ReturnType<typeof runOf>) => verdictWords(findings.pairs[0]!, id)

describe('a log that says heard or not and no more', () => {
  const log = runOf('heard', 16, 1, (l, m) => (m < (l === 0 ? 11 : 7) ? 'heard' : 'not heard'))

  it('says how many times as far, and no steps of a list that has none', () => {
    const { lead, detail } = leadOf(log)
    const said = /^A is better than B, heard (\d\.\d) times as far \((\d\.\d) to (\d\.\d)\)$/.exec(lead)
    expect(said).not.toBeNull()
    // The last marks at which either was heard are 11/7 as far apart, and so are the first lost.
    const [low, high] = [Number(said![2]), Number(said![3])]
    expect(low).toBeGreaterThan(1)
    expect(low).toBeLessThan(11 / 7)
    expect(high).toBeGreaterThan(11 / 7)
    expect(detail).toMatch(/^From \d+ marks\.$/)
    expect(log.findings.pairs[0]!.joint).toMatchObject({ steps: null })
    expect(log.findings.pairs[0]!.alwaysValid).toBeNull()
  })

  it('says so the other way round of the other', () => {
    const turned = runOf('heard', 16, 1, (l, m) => (m < (l === 1 ? 11 : 7) ? 'heard' : 'not heard'))
    expect(leadOf(turned).lead).toMatch(/^B is better than A, heard \d\.\d times as far \(/)
    expect(turned.findings.pairs[0]!.joint!.times!.estimate).toBeLessThan(1)
  })

  it('tells no size of what stands behind it either', async () => {
    const { by, drift } = await breakdownOf(log.input, log.prepared, null)
    const all = [...by.flatMap((g) => g.pairs.map((p) => byWords(g.what, p, id))), ...driftWords(drift)]
    expect(all.length).toBeGreaterThan(1)
    for (const words of all) expect(words).not.toMatch(/steps|dB/)
  })

  it('at one place says which is better, from how many rounds, and nothing of distance', () => {
    const here = runOf('heard', 1, 14, (l, _, k) => (l === 0 || k % 5 === 0 ? 'heard' : 'not heard'))
    expect(leadOf(here)).toMatchObject({
      lead: 'A is better than B',
      detail: 'From 14 rounds at one place: here, and only here.',
    })
    const { findings, tried } = here
    const answer = answerByLevel({ findings, plan: tried, link: id, units: 'metric' } as AnswerFrom)
    expect(answer.axis).toBeNull()
    expect(answer.lines.map((l) => l.text)).toEqual([
      'copied in 14 of 14 checks to base',
      'copied in 2 of 14 checks to base',
    ])
  })
})

describe('a log that counts words', () => {
  // The level at which half the words are copied may lie under that at which a call is heard, which turned all round.
  const log = runOf('count', 16, 1, (l, m) => `${Math.max(0, Math.min(5, (l === 0 ? 12 : 8) - m))} of 5`)

  it('calls that one better of which more is copied, as its reach does', () => {
    expect(leadOf(log).lead).toMatch(/^A is better than B, heard \d\.\d times as far \(/)
    expect(log.findings.pairs[0]!.joint!.aBetter).toBeGreaterThan(0.975)
    expect(log.findings.standings!.links[0]!.linkId).toBe(log.input.links[0]!.id)
  })
})

describe('sentences without a size', () => {
  const effect = (estimate: number): Effect => ({
    estimate,
    interval90: { low: estimate - 1, high: estimate + 1 },
    interval95: { low: estimate - 1.2, high: estimate + 1.2 },
    p: 0.001,
  })
  const within = [
    { group: 'Shore', effect: effect(3), marks: 8 },
    { group: 'Hill', effect: effect(-4), marks: 8 },
  ]
  const pair = (unit: DifferenceUnit, flips: boolean): DifferenceBy => ({
    a: 'A',
    b: 'B',
    unit,
    within,
    change: { from: 'Shore', to: 'Hill', effect: effect(-7) },
    flips,
  })

  it('say where it flips, and where one does better', () => {
    expect(byWords('leg', pair('none', true), id)).toBe('It flips by leg: A is ahead on Shore, B on Hill.')
    expect(byWords('leg', pair('dB', true), id)).toBe(
      'It flips by leg: A is ahead on Shore (+3.0 dB), B on Hill (+4.0 dB).',
    )
    expect(byWords('leg', pair('none', false), id)).toBe(
      'A against B changes with the leg: A does better on Shore.',
    )
    expect(byWords('leg', pair('steps', false), id)).toBe(
      'A less B changes with the leg: +3.0 steps of the scale on Shore, −4.0 steps of the scale on Hill.',
    )
  })

  it('say of a ridge where it is, and by how much where that is told', () => {
    const words = (loss: StepSeen['loss']) =>
      cautionWords({ kind: 'step', beyondM: 3400, loss }, id, id, 'metric').split(', as behind')[0]
    expect(words(null)).toBe('Beyond about 3.4 km everything is weaker')
    expect(words({ unit: 'dB', estimate: 14, low: 3.3, high: 28.5 })).toBe(
      'Beyond about 3.4 km everything is 14.0 dB weaker (3.3 to 28.5)',
    )
    expect(words({ unit: 'steps', estimate: 2, low: 1, high: 3 })).toBe(
      'Beyond about 3.4 km everything is 2.0 steps of the scale weaker (1.0 to 3.0)',
    )
  })

  it('say what helped and what cost', () => {
    const main = (estimate: number, holds: boolean) => ({
      end: 'out' as const,
      names: ['antenna' as const],
      level: 'loop',
      against: 'whip',
      effect: effect(estimate),
      holds,
    })
    const words = (estimate: number, holds: boolean) =>
      matrixWords({
        unit: 'none',
        mains: [main(estimate, holds)],
        interactions: [],
        together: [],
        confounded: [],
        marks: 9,
      })[0]
    expect(words(3, true)).toBe('Loop instead of whip (antenna out there) helped.')
    expect(words(-3, true)).toBe('Loop instead of whip (antenna out there) cost.')
    expect(words(3, false)).toBe('Cannot tell what loop instead of whip (antenna out there) brings.')
  })
})
