import { ALONE } from '@/core/model/byTwo'
import {
  breakdownOfLog,
  breakdownUnder,
  contrastsOf,
  correctionOf,
  makeFindings,
  nextUnder,
  orderWalks,
  prepareFindings,
  seenOf,
  type Breakdown,
  type EdgeInterval,
  type Findings,
  type FindingsInput,
  type LogBreakdown,
  type NextChecks,
  type Prepared,
  type RunEvent,
  type ToldLog,
  type WalkOrders,
} from '@/core/findings'
import {
  reachOnLegs,
  type Correction,
  type LegReachAsk,
  type LegReachOnGround,
  type PlanGround,
} from '@/core/reach'
import type { LinkContrasts } from '@/core/reach/correction/agree'
import { honestCheck, type HonestCheck } from '@/core/reach/correction/leaveOut'
import { digestOf, keeper } from './keeper'

/** A log under the model holds its draws, some megabytes. */
const MAX_LOGS = 6
const MAX_BREAKDOWNS = 12

const preparedBy = keeper<Prepared>(MAX_LOGS)
const breakdownBy = keeper<Promise<LogBreakdown>>(MAX_BREAKDOWNS)

const correctionBy = keeper<Correction | null>(MAX_BREAKDOWNS)
const honestBy = keeper<HonestCheck | null>(MAX_BREAKDOWNS)
const walksBy = keeper<WalkOrders>(MAX_BREAKDOWNS)

/** A run that nothing was added to needs no fit anew where another one grows. */
const contrastsBy = keeper<LinkContrasts | null>(MAX_BREAKDOWNS)
const keyOf = (told: readonly ToldLog[]) =>
  digestOf(told.map(({ input, ground }) => [input, ground.expected]))

/** Lets whatever else is asked go first. */
const othersFirst = () => new Promise<void>((resolve) => setImmediate(resolve))

/**
 * What the findings' thread is asked. A log's draws are kept, so that another copy rule, margin or reliability
 * answers at once.
 * @param helper who may do part of it meanwhile
 */
export function findingsApiWith(helper = ALONE) {
  /**
   * A log prepared, and the key that it is kept by: all that it is prepared from, whatever of it changes (checks, links
   * described later, marks measured later).
   */
  function prepared(input: FindingsInput): { key: string; basis: Prepared } {
    const { copyRule: _rule, marginDb: _margin, reliability: _often, need: _need, ...log } = input
    const key = digestOf(log)
    return { key, basis: preparedBy(key, () => prepareFindings(input, helper)) }
  }

  const learnt = (told: readonly ToldLog[]): Correction | null =>
    correctionBy(keyOf(told), () =>
      correctionOf(told, (log) => contrastsBy(keyOf([log]), () => contrastsOf(log, helper))),
    )

  return {
    findings(input: FindingsInput, events: readonly RunEvent[] = []): Findings {
      return makeFindings(input, prepared(input).basis, events)
    },

    /** The causes behind a log; what does not depend on rule, margin and reliability is kept for the next time. */
    async breakdown(
      input: FindingsInput,
      ground: PlanGround | null,
      events: readonly RunEvent[],
    ): Promise<Breakdown> {
      const { key, basis } = prepared(input)
      const inLog = await breakdownBy(digestOf([key, ground?.legs ?? null, events]), () =>
        breakdownOfLog(input, basis, ground, events, othersFirst),
      )
      return breakdownUnder(input, ground, inLog)
    },

    /** What logs teach of the predictions that were made for them; null where they say nothing of them. */
    correction(told: readonly ToldLog[]): Correction | null {
      return learnt(told)
    },

    /** How well logs tell of one another what they teach of the predictions; null where they teach nothing. */
    honest(told: readonly ToldLog[]): HonestCheck | null {
      const key = keyOf(told)
      return honestBy(key, () => {
        const seen = seenOf(told)
        const correction = learnt(told)
        if (!correction) return null
        const legs = new Map(
          told.flatMap(({ input }) => {
            const legOf = new Map(input.marks.map((m) => [m.id, m.legId]))
            return input.checks.map((c) => [c.id, legOf.get(c.markId) ?? ''] as const)
          }),
        )
        return honestCheck(seen, correction, (id) => legs.get(id) ?? '')
      })
    },

    /** How far links are copied along legs, over the legs' own ground. */
    legs(ask: LegReachAsk): LegReachOnGround[] {
      return reachOnLegs(ask)
    },

    /** Walks to the edge and drives by ear, in order. */
    walks(edges: readonly EdgeInterval[], chance: number): WalkOrders {
      return walksBy(digestOf([edges, chance]), () => orderWalks(edges, chance))
    },

    /** Where the next checks tell most. */
    next(input: FindingsInput): NextChecks | null {
      return nextUnder(input, prepared(input).basis)
    },
  }
}

export type FindingsApi = ReturnType<typeof findingsApiWith>
