import { listenerOf, type Direction } from '@/core/kit/rig/rig'
import { describeCopyRule, isCopied, type CopyRule } from '@/core/reports/copyRule'
import { describeScale } from '@/core/reports/scale'
import { isInDb, stepWidthDb } from '@/core/reports/toCell'
import { reachFromCopies, worseReach, type CopyAt, type Reach } from '@/core/reach/reachFromCopies'
import { comparePair, type LeftOut, type PairComparison, type Scope } from './comparePair'
import { readChecks, type FindingsInput, type ReadCheck } from './input'
import { fitRunLevels, levelFindings, type FittedLevels, type LevelFindings } from './levelFindings'
import { cellsIn, cellsOf } from './levels'
import { judgePairs, type JudgedPair } from './verdict'

export interface LinkReach {
  linkId: string
  direction: Direction
  checks: number
  copied: number
  reaches: Reach[]
}

export interface UsableReach {
  linkId: string
  chance: number
  /** The direction that limits it; null where only one was asked. */
  limitedBy: Direction | null
  reach: Reach
}

/** All findings of one run under one copy rule. */
export interface Findings {
  copyRule: CopyRule
  copyRuleInWords: string
  marginDb: number
  fixedBeforehand: boolean
  scales: { direction: Direction; listener: string; scale: string }[]
  pairs: JudgedPair[]
  /** What the levels say; null where reports say nothing in dB, or too few marks do. */
  levels: LevelFindings | null
  /** n that attenuation put in out there was turned into distance by; null where there was none. */
  attenuatedBySlope: number | null
  reaches: LinkReach[]
  usable: UsableReach[]
  /** Checks in all, and those that no finding could use. */
  checks: number
  leftOut: LeftOut[]
}

/** Chances for which a reach is quoted: the one that is wanted, and 90, 50 and 10 in a hundred. */
export function chancesOf(input: Pick<FindingsInput, 'reliability'>): number[] {
  return [...new Set([input.reliability, 0.9, 0.5, 0.1])].sort((a, b) => b - a)
}

/** What depends on the log alone, and takes most of the time. */
export interface Prepared {
  pairs: PairComparison[]
  levels: FittedLevels
}

/** Every pair of links in every direction, and the levels of all. */
export function prepareFindings(input: FindingsInput): Prepared {
  const { checks, sets } = cellsIn(input)
  return { pairs: comparePairs(input, checks, sets), levels: fitRunLevels(input, checks, sets) }
}

/** Findings without what the levels say, for those who want the verdicts first. */
export const NO_LEVELS: FittedLevels = { fit: null, points: [], cells: new Map() }

/** Whether any listener's reports are levels at all. */
export const tellLevels = (input: FindingsInput) =>
  input.directions.some((d) => isInDb(input.scales[listenerOf(d)]))

/** Whether sentences before the levels' own rest on them: distances by their slope, the ways through a relay. */
export const restsOnLevels = (input: FindingsInput, checks: readonly ReadCheck[]) =>
  hasAttenuated(checks) || input.links.some((l) => l.base.kind === 'relay')

const hasAttenuated = (checks: readonly ReadCheck[]) => checks.some((c) => c.attenuationDb > 0)

/** Every pair of links in every direction and in both together. */
export function comparePairs(
  input: FindingsInput,
  checks = readChecks(input).checks,
  cellSets = cellsOf(input, checks),
): PairComparison[] {
  const scopes: Scope[] = input.directions.length > 1 ? [...input.directions, 'both'] : [...input.directions]
  return scopes.flatMap((scope) =>
    input.links.flatMap((a, i) =>
      input.links.slice(i + 1).map((b) => comparePair(input, checks, cellSets, a, b, scope)),
    ),
  )
}

/** Verdicts by the margin that matters; the pairs of one scope are adjusted together. */
export function judgeAll(input: FindingsInput, compared: readonly PairComparison[]): JudgedPair[] {
  const scopes = [...new Set(compared.map((p) => p.scope))]
  return scopes.flatMap((scope) => {
    const step = Math.max(
      ...input.directions
        .filter((d) => scope === 'both' || d === scope)
        .map((d) => stepWidthDb(input.scales[listenerOf(d)], 6)),
    )
    const pairs = compared.filter((p) => p.scope === scope)
    return judgePairs(pairs, input.marginDb, input.fixedBeforehand, step)
  })
}

/**
 * The findings of a run: every pair of links in each direction and both together, and how far each link reaches.
 * Pure and repeatable; takes a second or two for thirty marks and three links.
 * @param prepared what {@link prepareFindings} gave for the same log, so that a change of copy rule alone is quick
 */
export function makeFindings(input: FindingsInput, prepared: Prepared = prepareFindings(input)): Findings {
  const { checks, voided, chosenOut } = readChecks(input)
  const levels = levelFindings(input, checks, prepared.levels, chancesOf(input))
  const attenuated = hasAttenuated(checks)
  const slope = levels?.slope.estimate ?? PLANE_EARTH_SLOPE
  const reaches = reachesOf(input, checks, slope)
  const unread = checks.filter((c) => c.reading.state === 'not read')
  const ungraded = checks.filter((c) => c.reading.state === 'not graded')
  const out = (why: string, list: readonly { id: string }[]): LeftOut[] =>
    list.length > 0 ? [{ why, checkIds: list.map((c) => c.id) }] : []
  return {
    copyRule: input.copyRule,
    copyRuleInWords: describeCopyRule(input.copyRule),
    marginDb: input.marginDb,
    fixedBeforehand: input.fixedBeforehand,
    scales: input.directions.map((direction) => ({
      direction,
      listener: listenerOf(direction),
      scale: describeScale(input.scales[listenerOf(direction)]),
    })),
    pairs: judgeAll(input, prepared.pairs),
    levels,
    attenuatedBySlope: attenuated ? slope : null,
    reaches,
    usable: usableOf(input, reaches),
    checks: checks.length + voided.length + new Set(chosenOut.flatMap((c) => c.checkIds)).size,
    leftOut: [
      ...chosenOut.flatMap(({ choice, checkIds }) =>
        checkIds.length > 0 ? [{ why: `by your choice: ${choice.reason}`, checkIds }] : [],
      ),
      ...out('voided', voided),
      ...out('the report could not be read', unread),
      ...out('sent and not yet graded', ungraded),
    ],
  }
}

/** Near the ground the level falls by 40 dB a decade; the more careful of the two schools where none was measured. */
export const PLANE_EARTH_SLOPE = 4

/**
 * Copies by distance. A check made with an attenuator in counts as one made farther out without it, by the
 * slope: a link that was copied through 10 dB more would be copied 10^(10/(10 n)) times as far.
 */
export function reachesOf(input: FindingsInput, checks: readonly ReadCheck[], slope: number): LinkReach[] {
  const distance = new Map(input.marks.map((m) => [m.id, m.distanceM]))
  return input.links.flatMap((link) =>
    input.directions.map((direction) => {
      const outcomes: CopyAt[] = checks
        .filter((c) => c.linkId === link.id && c.direction === direction)
        .flatMap((c) => {
          const copied = isCopied(c.reading, c.calls, input.copyRule)
          const distanceM = distance.get(c.markId)
          if (copied === null || !distanceM) return []
          const farther = 10 ** (c.attenuationDb / (10 * slope))
          const markId = c.attenuationDb > 0 ? `${c.markId} behind ${c.attenuationDb} dB` : c.markId
          return [{ markId, distanceM: distanceM * farther, copied }]
        })
      return {
        linkId: link.id,
        direction,
        checks: outcomes.length,
        copied: outcomes.filter((o) => o.copied).length,
        reaches: chancesOf(input).map((chance) => reachFromCopies(outcomes, chance)),
      }
    }),
  )
}

export function usableOf(input: FindingsInput, reaches: readonly LinkReach[]): UsableReach[] {
  return input.links.flatMap((link) => {
    const mine = reaches.filter((r) => r.linkId === link.id)
    return chancesOf(input).map((chance, i) => {
      const worst = mine.reduce((a, b) => (worseReach(a.reaches[i]!, b.reaches[i]!) === a.reaches[i] ? a : b))
      return {
        linkId: link.id,
        chance,
        limitedBy: mine.length > 1 ? worst.direction : null,
        reach: worst.reaches[i]!,
      }
    })
  })
}
