import { cellsOf, comparePair, inputOf, judgePairs, readChecks, type FindingsInput } from '@/core/findings'
import { jointInput } from '@/core/findings/joint/modelInput'
import { fitModel, type FitSettings } from '@/core/model/fit'
import { SAMPLING_OF_LONG } from '@/core/model/spreadSampling'
import { linkKey } from '@/core/reach/linkKey'
import type { ExpectedLevel } from '@/core/reach/planGround'
import type { Link } from '@/core/kit/rig/rig'
import { asLogged } from '@/core/trial/foldEntries'
import type { Mark, TrialPlan } from '@/core/trial/plan'
import { medianLevel, ORDINARY_FIELD, simulateRun, type SimulatedField } from './field'

/** What is to be tried: how many marks, how often each check, and how much links differ from mark to mark. */
export interface PowerAsked {
  marks: number
  repeats: number
  /** Spread of a difference at a mark, dB: half of its variance a link's own there, half from call to call. */
  spreadDb: number
  /** The difference that would matter, dB: what the simulated first link is better by. */
  marginDb: number
}

/**
 * Whether one try tells needs fewer draws than what is said of a log, at fewer points of the spreads. With fewer still,
 * or with points that another try's fit lends, small plans would be told wrongly.
 */
const ROUGHLY = { draws: 300, sampling: SAMPLING_OF_LONG }

const SECOND = { groundLossDb: 0, extraSlopeDb: 0 }

/** As many marks as asked, even over the legs' lengths: those of the plan, others between them, or some of them. */
export function marksForPower(marks: readonly Mark[], n: number): Mark[] {
  const sorted = [...marks].sort((a, b) => a.distanceM - b.distanceM)
  if (sorted.length === 0) return []
  return Array.from({ length: n }, (_, i) => {
    const at = n === 1 ? 0 : (i * (sorted.length - 1)) / (n - 1)
    const [p, q] = [sorted[Math.floor(at)]!, sorted[Math.ceil(at)]!]
    const distanceM = p.distanceM + (at - Math.floor(at)) * (q.distanceM - p.distanceM)
    return { ...p, id: `${i}`, legId: 'all', distanceM, alongM: distanceM }
  })
}

/**
 * Level expected of a link at a distance and direction, from the marks on either side; null where no ground is known.
 */
function expectedAt(expected: readonly ExpectedLevel[], marks: readonly Mark[], link: Link) {
  const at = new Map(marks.map((m) => [m.id, m.distanceM]))
  const points = expected
    .filter((e) => e.key === linkKey(link) && e.direction === 'to base' && at.has(e.markId))
    .map((e) => ({ m: at.get(e.markId)!, dbm: e.levelDbm }))
    .sort((a, b) => a.m - b.m)
  return (distanceM: number): number | null => {
    if (points.length < 2) return null
    const i = Math.max(
      1,
      points.findIndex((p) => p.m >= distanceM),
    )
    const [p, q] = [points[i - 1]!, points[i]!]
    return p.dbm + ((distanceM - p.m) / (q.m - p.m || 1)) * (q.dbm - p.dbm)
  }
}

/**
 * Tries a plan once in a simulated field where the first link is truly better by what would matter: whether the same
 * model that judges the log would say so. Both links see the second one's loss over this ground, so that nothing else
 * differs.
 * @param expected levels over the plan's ground; empty for plane earth on hilly ground
 * @param seed of the field and the order; the same one gives the same try
 * @param settings how thoroughly its log is fitted
 */
export function tryTells(
  plan: TrialPlan,
  expected: readonly ExpectedLevel[],
  asked: PowerAsked,
  seed: number,
  settings: Partial<FitSettings> = ROUGHLY,
): boolean {
  const input = simulated(plan, expected, asked, seed)
  const [a, b] = plan.links
  if (!input || !a || !b) return false
  const { checks } = readChecks(input)
  const log = jointInput(input, checks)
  if (log.model.reports.length === 0) return false
  const joint = { input: log, fit: fitModel(log.model, settings) }
  const scope = plan.directions.length > 1 ? 'both' : plan.directions[0]!
  const pair = comparePair(input, checks, cellsOf(input, checks), a, b, scope, joint)(null)
  const [judged] = judgePairs([pair], asked.marginDb, true, 6)
  return judged!.verdict.kind === 'better' && judged!.verdict.which === 'a'
}

/** A run of the plan in a simulated field, as findings take it; null where it has no two links. */
function simulated(
  plan: TrialPlan,
  expected: readonly ExpectedLevel[],
  asked: PowerAsked,
  seed: number,
): FindingsInput | null {
  const [a, b] = plan.links
  if (!a || !b) return null
  const marks = marksForPower(plan.marks, asked.marks)
  const tried: TrialPlan = {
    ...plan,
    links: [a, b],
    marks,
    repeats: asked.repeats,
    order: { ...plan.order, seed },
  }
  const level = expectedAt(expected, plan.marks, b)
  const each = asked.spreadDb / 2
  const bare: SimulatedField = {
    ...ORDINARY_FIELD,
    ...SECOND,
    seed,
    gainDbi: {},
    linkDb: each,
    fadingDb: each,
  }
  const known = level(marks[0]?.distanceM ?? 0) !== null
  const field: SimulatedField = {
    ...bare,
    ...(known ? {} : { groundLossDb: 14, extraSlopeDb: 20 }),
    linkGainDb: { [a.id]: asked.marginDb },
    overGround: (_link, mark) => {
      const there = level(mark.distanceM)
      return there === null ? null : medianLevel(b, 'to base', mark.distanceM, bare, 0) - there
    },
    lossOf: b,
  }
  const checks = simulateRun(tried, field).map((c, i) =>
    asLogged(c, { id: `${i}`, time: '', device: 'simulated', role: 'out there' }),
  )
  return { ...inputOf(tried, marks, checks, true), marginDb: asked.marginDb }
}
