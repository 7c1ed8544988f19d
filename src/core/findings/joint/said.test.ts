import { describe, expect, it } from 'vitest'
import { defaultScale, type Scale } from '@/core/reports'
import { seededRandom } from '@/core/stats'
import { checkOf, link, logged, mark, planWith, rig } from '@/core/testing/plans'
import type { CheckBody } from '@/core/trial'
import { inputOf, makeFindings, reachText, verdictWords } from '..'

const name = (id: string) => `Rig ${id}`
const DBM = defaultScale('level')
const WORDS = defaultScale('readability')

/** Findings of checks to the base over marks 300 m apart. */
function found(
  ids: string[],
  marks: number,
  scale: Scale,
  checks: CheckBody[],
  powerW: Record<string, number> = {},
) {
  const plan = planWith({
    links: ids.map((id) => link(rig(id, { powerW: powerW[id] ?? 2 }))),
    marks: Array.from({ length: marks }, (_, i) => mark(`m${i}`, 300 * (i + 1), { alongM: 300 * (i + 1) })),
    scales: { base: scale, out: scale },
  })
  return makeFindings(inputOf(plan, plan.marks, logged(checks), true))
}

const at = (marks: number) => Array.from({ length: marks }, (_, i) => i)

describe('what is said', () => {
  it('of twelve readings in dBm at each of eight marks: the 4 dB that are true, whatever the repeats', () => {
    const random = seededRandom(9)
    const checks = at(8).flatMap((m) => {
      const ground = 5 * random.normal()
      return ['a', 'b'].flatMap((id) => {
        const own = 1.5 * random.normal() + (id === 'a' ? 4 : 0)
        return at(12).map((repeat) => {
          const level = -70 - 36 * Math.log10(m + 1) + ground + own + 2 * random.normal()
          return checkOf(`m${m}`, id, `${Math.round(level)} dBm`, { repeat })
        })
      })
    })
    const [pair] = found(['a', 'b'], 8, DBM, checks).pairs
    expect(pair!.verdict).toMatchObject({ kind: 'better', which: 'a' })
    const { low, high } = pair!.evened!.interval90
    expect(low!).toBeLessThan(4)
    expect(high!).toBeGreaterThan(4)
    expect(high! - low!).toBeGreaterThan(1)
  })

  it('of twelve wins of twelve in words alone: better, in steps', () => {
    const checks = at(12).flatMap((m) => [
      checkOf(`m${m}`, 'a', m < 6 ? 'loud and clear' : 'readable with difficulty'),
      checkOf(`m${m}`, 'b', m < 6 ? 'readable, some noise' : 'broken'),
    ])
    const [pair] = found(['a', 'b'], 12, WORDS, checks).pairs
    expect(verdictWords(pair!, name)).toMatchObject({
      lead: expect.stringMatching(
        /^Rig a is better than Rig b by \d\.\d steps of the scale \(\d\.\d to \d\.\d\)$/,
      ) as string,
      detail: 'From 12 marks.',
    })
  })

  it('of digits without a unit: better, and no dB', () => {
    const checks = at(12).flatMap((m) => [
      checkOf(`m${m}`, 'a', String(90 - 5 * m)),
      checkOf(`m${m}`, 'b', String(80 - 5 * m)),
    ])
    const [pair] = found(['a', 'b'], 12, defaultScale('bare'), checks).pairs
    expect(pair!.verdict).toMatchObject({ kind: 'better', which: 'a' })
    expect(pair!.evened).toBeNull()
    expect(verdictWords(pair!, name).lead).not.toContain('dB')
  })

  it('of four rigs at one place, 13 to 25 dB apart in three rounds: all six are told, here and only here', () => {
    const level = { a: -50, b: -63, c: -80, d: -105 }
    const checks = at(3).flatMap((repeat) =>
      Object.entries(level).map(([id, db], i) =>
        checkOf('m2', id, `${db + ((repeat + i) % 3) - 1} dBm`, { repeat }),
      ),
    )
    const all = found(Object.keys(level), 4, DBM, checks)
    expect(all.pairs.map((p) => p.verdict.kind)).toEqual(Array.from({ length: 6 }, () => 'better'))
    expect(verdictWords(all.pairs[0]!, name).detail).toContain(
      'From 3 rounds at one place: here, and only here.',
    )
    // One place says nothing of distance.
    for (const u of all.usable)
      expect(reachText(u.reach, 'metric')).toBe('cannot tell from fewer than four marks')
  })

  it('at one place the checks without a model count rounds as well', () => {
    const checks = at(6).flatMap((repeat) =>
      ['a', 'b'].map((id, i) => checkOf('m2', id, `${-70 - 9 * i + ((repeat + i) % 3)} dBm`, { repeat })),
    )
    const [pair] = found(['a', 'b'], 4, DBM, checks).pairs
    expect(pair!.wins).toMatchObject({ of: 'round', wins: 6, draws: 0, losses: 0, p: 2 / 2 ** 6 })
    // The weakest of all readings, in two rounds, is open below and has no middle.
    expect(pair!.plain).toMatchObject({ marks: 4, estimate: 8 })
    expect(pair!.disagreement).toBeNull()
  })

  it('of a rig that is no better and reaches farther by its power', () => {
    const random = seededRandom(4)
    const checks = at(14).flatMap((m) => {
      const ground = 3 * random.normal()
      return ['a', 'b'].map((id) => {
        const level = -75 - 38 * Math.log10(m + 1) + ground + (id === 'a' ? 11 : 0) + 1.2 * random.normal()
        return checkOf(`m${m}`, id, `${Math.round(level)} dBm`)
      })
    })
    const [pair] = found(['a', 'b'], 14, DBM, checks, { a: 25 }).pairs
    expect(pair!.verdict.kind).not.toBe('better')
    expect(verdictWords(pair!, name).detail).toContain('Rig a reaches farther as it was used, power included')
  })

  it('of two alike: which reaches farther cannot be told, with the odds', () => {
    const checks = at(6).flatMap((m) => ['a', 'b'].map((id) => checkOf(`m${m}`, id, `5 by ${9 - m}`)))
    const [pair] = found(['a', 'b'], 6, defaultScale('readability-strength'), checks).pairs
    expect(pair!.verdict.kind).toBe('cannot tell')
    expect(verdictWords(pair!, name).detail).toMatch(
      /Which of them reaches farther cannot be told \(\d\d to \d\d\)\.$/,
    )
  })

  it('of two that are not sure and lean one way: which probably reaches farther, and of a run that ended early what that leaves out', () => {
    const checks = at(6).flatMap((m) => ['a', 'b'].map((id) => checkOf(`m${m}`, id, `5 by ${9 - m}`)))
    const [pair] = found(['a', 'b'], 6, defaultScale('readability-strength'), checks).pairs
    const leaning = { ...pair!, joint: { ...pair!.joint!, aFarther: 0.06 } }
    expect(verdictWords(leaning, name).rest).toMatch(/Rig b probably reaches farther \(94 to 6\)\.$/)
    const early = { ...leaning, quoted: { ...leaning.quoted!, allowsForStopping: true } }
    expect(verdictWords(early, name).rest).toMatch(
      /Rig b is the likelier to reach farther \(94 to 6\), which does not allow for the early end\.$/,
    )
  })

  it('of calls missed whatever the level: no worse than of the same log without them', () => {
    const random = seededRandom(12)
    const levels = at(14).map((m) => -70 - 36 * Math.log10(m + 1) + 4 * random.normal())
    const checksWith = (missed: (m: number) => boolean) =>
      at(14).flatMap((m) =>
        ['a', 'b'].map((id) =>
          checkOf(`m${m}`, id, `${Math.round(levels[m]! + (id === 'a' ? 5 : 0) + random.normal())} dBm`, {
            calls: missed(m) ? 2 : 1,
          }),
        ),
      )
    const width = (checks: CheckBody[]) => {
      const { low, high } = found(['a', 'b'], 14, DBM, checks).pairs[0]!.evened!.interval90
      return high! - low!
    }
    // Two strong calls missed near the base used to double the width.
    expect(width(checksWith((m) => m === 1 || m === 3))).toBeLessThan(1.4 * width(checksWith(() => false)))
  })
})
