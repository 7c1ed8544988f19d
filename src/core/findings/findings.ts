import { everyPair } from '@/core/everyPair'
import { ALONE } from '@/core/model/byTwo'
import { listenerOf, type Direction } from '@/core/kit/rig/rig'
import type { Reaches } from '@/core/model/answers'
import type { ModelFit } from '@/core/model/fit'
import { describeCopyRule, type CopyRule } from '@/core/reports/copyRule'
import { heardScales } from '@/core/trial/heardScales'
import { describeScale } from '@/core/reports/scale'
import { stepWidthDb } from '@/core/reports/toCell'
import { comparePair, type LeftOut, type PairComparison, type Scope } from './compare/comparePair'
import { isBySky, readChecks, type FindingsInput, type ReadCheck } from './input'
import { fitJoint, type JointFit } from './joint/jointFit'
import {
  jointReaches,
  reachesUnder,
  usableReach,
  type LegReach,
  type LinkReach,
  type UsableReach,
} from './reach/jointReaches'
import type { LoggedEvent } from '@/core/trial/foldEntries'
import { matrixOf, type Matrix } from './breakdown/matrix'
import { otherStationsOf, type OtherStations } from './breakdown/otherScales'
import type { Caution } from './cautions/cautionWords'
import { loneContacts, Without } from './cautions/loneContact'
import { orderCautions } from './cautions/order'
import { sharedGround } from './cautions/sharedGround'
import { stepSeen } from './cautions/stepSeen'
import { beginTrend, type TrendFit } from './joint/trend'
import { levelFindings, prepareLevels, type LevelFindings, type PreparedLevels } from './reach/levelFindings'
import { cellsIn, type CellsById } from './levels'
import { judgePairs, type JudgedPair } from './compare/verdict'
import { nextChecks, type NextChecks } from './nextChecks/nextChecks'
import { needChances, type NeedChance } from './standing/needChances'
import { levelsHere, standingsOf, type LevelHere, type Standings } from './standing/standings'

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
  reaches: LinkReach[]
  usable: UsableReach[]
  /** By leg, of two legs or more. */
  legs: LegReach[]
  /** Where it holds: along ways, at one place, or by way of the sky; the two last tell no reach. */
  where: 'ways' | 'one place' | 'sky'
  /** The links in order; null where nothing orders them. */
  standings: Standings | null
  /** What each thing that was set differently brought; null where fewer than two can be told apart. */
  matrix: Matrix | null
  /** Levels at the one place there is; empty elsewhere. */
  levelsHere: LevelHere[]
  /** What other stations said of both links of a pair, of a log without checks of its own. */
  stations: OtherStations[]
  /** How likely each link meets what is needed; empty where nothing is, or no reach is told. */
  need: NeedChance[]
  /** What is to be known before a verdict is believed. */
  cautions: Caution[]
  /** How the model got on; null where there was nothing for it. */
  quality: ModelFit['quality'] | null
  /** Checks in all, and those that no finding could use. */
  checks: number
  leftOut: LeftOut[]
}

/** Chances for which a reach is quoted: the one that is wanted, and 90, 50 and 10 in a hundred. */
function chancesOf(input: Pick<FindingsInput, 'reliability'>): number[] {
  return [...new Set([input.reliability, 0.9, 0.5, 0.1])].sort((a, b) => b - a)
}

/** What depends on the log alone, and takes most of the time. */
export interface Prepared {
  pairs: PairComparison[]
  joint: JointFit | null
  /** What each thing that was set differently brought; null where fewer than two can be told apart. */
  matrix: Matrix | null
  /** What the reports say in dB, check by check, and the lines through them. */
  levels: PreparedLevels
  /** The log without a contact; null where there is no model of it. */
  without: Without | null
}

/**
 * The log under the joint model, every pair of links in every direction read from it.
 * @param helper who may do part of it meanwhile; what is found is the same
 */
export function prepareFindings(input: FindingsInput, helper = ALONE): Prepared {
  const { checks, cells } = cellsIn(input)
  const joint = fitJoint(input, checks, { helper })
  const trend = joint && beginTrend(input, checks, joint)
  return {
    joint,
    matrix: joint && matrixOf(input, checks, joint),
    pairs: comparePairs(input, checks, cells, joint, trend),
    levels: prepareLevels(input, checks, cells, joint),
    without: joint && new Without(joint),
  }
}

/** Every pair of links in every direction and in both together. @param trend waits for the log with a slope for each link */
export function comparePairs(
  input: FindingsInput,
  checks: readonly ReadCheck[],
  cells: CellsById,
  joint: JointFit | null,
  trend: (() => TrendFit) | null,
): PairComparison[] {
  const scopes: Scope[] = input.directions.length > 1 ? [...input.directions, 'both'] : [...input.directions]
  const compared = scopes.flatMap((scope) =>
    everyPair(input.links).map(([a, b]) => comparePair(input, checks, cells, a, b, scope, joint)),
  )
  const sloped = trend && trend()
  return compared.map((pair) => pair(sloped))
}

/**
 * Verdicts by the margin that matters. The pairs of the whole are adjusted together; a direction by itself is
 * looked at besides, so its pairs are adjusted with all there are.
 */
function judgeAll(input: FindingsInput, compared: readonly PairComparison[]): JudgedPair[] {
  const scopes = [...new Set(compared.map((p) => p.scope))]
  return scopes.flatMap((scope) => {
    const step = Math.max(
      ...input.directions
        .filter((d) => scope === 'both' || d === scope)
        .map((d) => stepWidthDb(input.scales[listenerOf(d)], 6)),
    )
    const pairs = compared.filter((p) => p.scope === scope)
    const whole = scope === 'both' || scopes.length === 1
    return judgePairs(pairs, input.marginDb, input.fixedBeforehand, step, whole ? pairs : compared)
  })
}

/**
 * The findings of a run: every pair of links in each direction and both together, and how far each link reaches.
 * Pure and repeatable; takes a second for thirty marks and three links.
 * @param prepared what {@link prepareFindings} gave for the same log, so that a change of copy rule alone is quick
 * @param events of the log, for what other stations said where there are no checks
 */
export function makeFindings(
  input: FindingsInput,
  prepared: Prepared = prepareFindings(input),
  events: readonly LoggedEvent[] = [],
): Findings {
  const { checks, voided, chosenOut } = readChecks(input)
  const { joint } = prepared
  const read = joint && reachesUnder(input, joint)
  const chances = chancesOf(input)
  const pairs = judgeAll(input, prepared.pairs)
  const unread = checks.filter((c) => c.reading.state === 'not read')
  const ungraded = checks.filter((c) => c.reading.state === 'not graded')
  const out = (why: string, list: readonly { id: string }[]): LeftOut[] =>
    list.length > 0 ? [{ why, checkIds: list.map((c) => c.id) }] : []
  const found = jointReaches(input, checks, joint, read, chances)
  return {
    where: joint?.input.onePlace ? 'one place' : isBySky(input) ? 'sky' : 'ways',
    standings: joint && standingsOf(input, joint, read, found.reaches),
    matrix: prepared.matrix,
    levelsHere: joint?.input.onePlace ? levelsHere(input, joint) : [],
    stations: input.checks.length === 0 ? otherStationsOf(input, { events: [...events] }) : [],
    need: joint && read ? needChances(input, joint, read) : [],
    copyRule: input.copyRule,
    copyRuleInWords: describeCopyRule(input.copyRule, heardScales(input)),
    marginDb: input.marginDb,
    fixedBeforehand: input.fixedBeforehand,
    scales: input.directions.map((direction) => ({
      direction,
      listener: listenerOf(direction),
      scale: describeScale(input.scales[listenerOf(direction)]),
    })),
    pairs,
    cautions: joint ? cautionsOf(input, checks, prepared, joint, read, pairs) : [],
    levels: joint && levelFindings(input, joint, prepared.levels, read, chances),
    ...found,
    quality: joint?.fit.quality ?? null,
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

/** Where the next checks tell most of what these findings leave open; see {@link nextChecks}. */
export function nextUnder(input: FindingsInput, prepared: Prepared): NextChecks | null {
  const { checks } = readChecks(input)
  const { joint } = prepared
  const read = joint && reachesUnder(input, joint)
  const whole = input.directions.length > 1 ? 'both' : input.directions[0]
  const pairs = judgeAll(input, prepared.pairs).filter((p) => p.scope === whole)
  return nextChecks(input, checks, joint, read, pairs, joint && read ? needChances(input, joint, read) : [])
}

function cautionsOf(
  input: FindingsInput,
  checks: readonly ReadCheck[],
  { without }: Prepared,
  joint: JointFit,
  read: Reaches | null,
  pairs: readonly JudgedPair[],
): Caution[] {
  const usableIn = (fit: JointFit, link: number) =>
    usableReach(input, checks, fit, fit === joint ? read : reachesUnder(input, fit), link)
  return [
    ...orderCautions(input, checks, joint),
    ...(without ? loneContacts(input, checks, joint, without, pairs, usableIn) : []),
    ...stepSeen(joint),
    ...sharedGround(input, joint),
  ]
}
