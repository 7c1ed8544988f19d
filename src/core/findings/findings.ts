import { listenerOf, type Direction } from '@/core/kit/rig'
import { describeCopyRule, isCopied, type CopyRule } from '@/core/reports/copyRule'
import { describeScale } from '@/core/reports/scale'
import { stepWidthDb } from '@/core/reports/toCell'
import { reachFromCopies, worseReach, type CopyAt, type Reach } from '@/core/reach/reachFromCopies'
import { comparePair, type LeftOut, type Scope } from './comparePair'
import { readChecks, type FindingsInput, type ReadCheck } from './input'
import { cellsOf } from './levels'
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
  reaches: LinkReach[]
  usable: UsableReach[]
  /** Checks in all, and those that no finding could use. */
  checks: number
  leftOut: LeftOut[]
}

/** Chances for which a reach is quoted. */
export const CHANCES = [0.9, 0.5] as const

/** What does not depend on the copy rule, and takes most of the time: every pair of links in every direction. */
export function comparePairs(input: FindingsInput): JudgedPair[] {
  const { checks } = readChecks(input)
  const cellSets = cellsOf(input, checks)
  const scopes: Scope[] = input.directions.length > 1 ? [...input.directions, 'both'] : [...input.directions]
  return scopes.flatMap((scope) => {
    const compared = input.links.flatMap((a, i) =>
      input.links.slice(i + 1).map((b) => comparePair(input, checks, cellSets, a, b, scope)),
    )
    const step = Math.max(
      ...input.directions
        .filter((d) => scope === 'both' || d === scope)
        .map((d) => stepWidthDb(input.scales[listenerOf(d)], 6)),
    )
    return judgePairs(compared, input.marginDb, input.fixedBeforehand, step)
  })
}

/**
 * The findings of a run: every pair of links in each direction and both together, and how far each link reaches.
 * Pure and repeatable; takes a second or two for thirty marks and three links.
 * @param pairs what {@link comparePairs} gave for the same log, so that a change of copy rule alone is quick
 */
export function makeFindings(input: FindingsInput, pairs: JudgedPair[] = comparePairs(input)): Findings {
  const { checks, voided } = readChecks(input)
  const reaches = reachesOf(input, checks)
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
    pairs,
    reaches,
    usable: usableOf(input, reaches),
    checks: checks.length + voided.length,
    leftOut: [
      ...out('voided', voided),
      ...out('the report could not be read', unread),
      ...out('sent and not yet graded', ungraded),
    ],
  }
}

function reachesOf(input: FindingsInput, checks: readonly ReadCheck[]): LinkReach[] {
  const distance = new Map(input.marks.map((m) => [m.id, m.distanceM]))
  return input.links.flatMap((link) =>
    input.directions.map((direction) => {
      const outcomes: CopyAt[] = checks
        .filter((c) => c.linkId === link.id && c.direction === direction)
        .flatMap((c) => {
          const copied = isCopied(c.reading, c.calls, input.copyRule)
          const distanceM = distance.get(c.markId)
          return copied === null || !distanceM ? [] : [{ markId: c.markId, distanceM, copied }]
        })
      return {
        linkId: link.id,
        direction,
        checks: outcomes.length,
        copied: outcomes.filter((o) => o.copied).length,
        reaches: CHANCES.map((chance) => reachFromCopies(outcomes, chance)),
      }
    }),
  )
}

function usableOf(input: FindingsInput, reaches: readonly LinkReach[]): UsableReach[] {
  return input.links.flatMap((link) => {
    const mine = reaches.filter((r) => r.linkId === link.id)
    return CHANCES.map((chance, i) => {
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
