import type { PlanGround } from '@/core/reach/planGround'
import type { CountDifference } from '@/core/stats/scales/betaBinomial'
import type { ConditionFactor } from '@/core/trial/conditions'
import type { FindingsInput, ReadCheck } from '../input'
import { cellsIn } from '../levels'
import type { Prepared } from '../findings'
import { conditionGroupings, type RunEvent } from './conditions'
import { beginDifferencesBy, differencesByDirection, sureTogether, type DifferenceBy } from './differencesBy'
import { driftOf, type Drift } from './drift'
import { alwaysTogether, type Matrix } from './matrix'
import { countedDifferences, otherStationsOf, type OtherStations } from './otherScales'
import { againstPrediction, type AgainstPrediction } from './predicted'
import { beginRunsApart, runOffsets, type RunApart, type RunOffset } from './runOffsets'
import { erraticLinks, type Erratic } from './erratic'

/** By what the difference was looked at. */
export type ByWhat =
  'direction' | 'leg' | 'distance' | 'kind of ground' | 'kind of place' | 'time of day' | ConditionFactor

/** What lies behind the verdicts: what brought the difference, where and when it holds, what the log says of itself. */
export interface Breakdown {
  matrix: Matrix | null
  /** What always changed together, where that is all that can be said of single things. */
  together: Matrix['together']
  by: { what: ByWhat; pairs: DifferenceBy[] }[]
  drift: Drift[]
  erratic: Erratic[]
  offsets: RunOffset[]
  apart: RunApart[]
  prediction: AgainstPrediction | null
  counted: { a: string; b: string; found: CountDifference }[]
  otherStations: OtherStations[]
}

const QUARTERS = ['0 to 6', '6 to 12', '12 to 18', '18 to 24']

/** Three bands of distance with as many marks each; null where that would be fewer than four. */
function bandsOf(input: FindingsInput): Map<string, string> | null {
  const marks = [...input.marks].sort((a, b) => a.distanceM - b.distanceM)
  const bands = marks.length >= 15 ? 3 : marks.length >= 8 ? 2 : 0
  if (bands === 0 || marks[0]!.distanceM === marks[marks.length - 1]!.distanceM) return null
  const names = bands === 3 ? ['near', 'middle', 'far'] : ['near', 'far']
  return new Map(marks.map((m, i) => [m.id, names[Math.floor((i * bands) / marks.length)]!]))
}

/** What of it depends on the log alone, and takes most of the time. */
export type LogBreakdown = Omit<Breakdown, 'prediction'>

type Grouping = [ByWhat, (c: ReadCheck) => string | null]

/** Tags of marks: kinds of place against one another where each mark has one at most, else each tag against the rest. */
function tagGroupings(marks: FindingsInput['marks']): Grouping[] {
  const tags = new Map(marks.map((m) => [m.id, m.tags ?? []]))
  const all = [...new Set([...tags.values()].flat())]
  if (all.length === 0) return []
  const has = (c: ReadCheck) => tags.get(c.markId) ?? []
  const one = [...tags.values()].every((t) => t.length <= 1)
  if (one && all.length > 1) return [['kind of place', (c) => has(c)[0] ?? null]]
  return all.map((t): Grouping => ['kind of place', (c) => (has(c).includes(t) ? t : `not ${t}`)])
}

/** All that checks are told apart by, less the direction, which the model tells by itself. */
function groupingsOf(
  input: FindingsInput,
  ground: PlanGround | null,
  events: readonly RunEvent[],
): Grouping[] {
  const legOf = new Map(input.marks.map((m) => [m.id, m.legName]))
  const kinds = new Map((ground?.legs ?? []).flatMap((l) => l.marks.map((m) => [m.markId, m.kind])))
  const bands = bandsOf(input)
  return [
    ['leg', (c) => legOf.get(c.markId) ?? null],
    ['distance', (c) => bands?.get(c.markId) ?? null],
    ['kind of ground', (c) => kinds.get(c.markId) ?? null],
    ...tagGroupings(input.marks),
    [
      'time of day',
      (c) => {
        const hour = new Date(c.time).getUTCHours()
        return Number.isNaN(hour) ? null : `${QUARTERS[Math.floor(hour / 6)]!} h UTC`
      },
    ],
    ...conditionGroupings(events).map(({ what, groupOf }): Grouping => [what, groupOf]),
  ]
}

/**
 * What the log tells of causes, whatever counts as copied. Repeatable; takes a second or two for thirty marks
 * and three links.
 * @param prepared the log under the model, and what each thing brought
 * @param ground what is known of the ground under the marks; null where nothing is
 * @param events of the log, for what other stations said and what was written down of the conditions
 * @param breathe waited for between the parts, so that others can be answered meanwhile
 */
export async function breakdownOfLog(
  input: FindingsInput,
  { joint, matrix }: Pick<Prepared, 'joint' | 'matrix'>,
  ground: PlanGround | null,
  events: readonly RunEvent[] = [],
  breathe: () => Promise<void> = () => Promise.resolve(),
): Promise<LogBreakdown> {
  const { checks, cells } = cellsIn(input)
  const by: Breakdown['by'] = []
  const add = (what: ByWhat, pairs: DifferenceBy[]) => {
    const known = by.find((b) => b.what === what)
    if (known) known.pairs.push(...pairs)
    else if (pairs.length > 0) by.push({ what, pairs })
  }
  const groupings = joint && !joint.input.onePlace ? groupingsOf(input, ground, events) : []
  const begun = groupings.map(
    ([what, groupOf]) => [what, beginDifferencesBy(input, checks, joint!, groupOf)] as const,
  )
  const apart = joint ? beginRunsApart(input, checks, joint) : () => []
  if (joint) add('direction', differencesByDirection(input, checks, joint))
  for (const [what, differences] of begun) {
    await breathe()
    add(what, differences())
  }
  await breathe()
  return {
    matrix,
    together: matrix ? [] : alwaysTogether(input, checks),
    by: sureTogether(by),
    drift: joint ? driftOf(input, joint) : [],
    erratic: erraticLinks(input, checks, cells),
    offsets: joint ? runOffsets(input, checks, joint) : [],
    apart: apart(),
    counted: countedDifferences(input, checks),
    otherStations: otherStationsOf(input, { events: [...events] }),
  }
}

/**
 * All that lies behind the verdicts.
 * @param inLog as {@link breakdownOfLog} gave it for the same log, so that a knob answers soon
 */
export function breakdownUnder(
  input: FindingsInput,
  ground: PlanGround | null,
  inLog: LogBreakdown,
): Breakdown {
  const { checks, cells } = cellsIn(input)
  return { ...inLog, prediction: ground && againstPrediction(input, checks, cells, ground) }
}

/** What lies behind the verdicts of a log under what counts as copied: see {@link breakdownOfLog}. */
export async function breakdownOf(
  input: FindingsInput,
  prepared: Prepared,
  ground: PlanGround | null,
  events: readonly RunEvent[] = [],
  breathe?: () => Promise<void>,
): Promise<Breakdown> {
  const inLog = await breakdownOfLog(input, prepared, ground, events, breathe)
  return breakdownUnder(input, ground, inLog)
}
