import { placedOf, type Place } from '@/core/geo'
import { linkKey } from '@/core/reach/linkKey'
import { expectedAt, weakerOf, type ExpectedLevel } from '@/core/reach/planGround'
import { apartM, correctedBy, type Correction } from '@/core/reach/correction/correction'
import {
  learnCorrection,
  priorCorrection,
  spreadsOf,
  type MarginSeen,
  type Spreads,
} from '@/core/reach/correction/learnCorrection'
import { wayKey, type AskedPlace } from '@/core/reach/map/jointDraws'
import { nextBest } from '@/core/reach/map/nextBest'
import { minutesFor } from '@/core/reach/map/nextOnMap'
import { oneWays } from '@/core/reach/map/oneWays'
import { reportSpreadDb } from '@/core/reports'
import { normalCdf } from '@/core/stats/numeric/normal'
import type { CheckKey, LoggedCheck, Mark, TrialPlan } from '@/core/trial'
import { inputOf } from './input'
import { seenMargins } from './seenMargins'
import { forecastKey, type FieldForecast, type WorthyCheck } from './forecast'

/** What a device is given so that it can correct the prediction of its run by itself. */
export interface ForecastBasis {
  /** What the ground lets expect at the marks before any check. */
  expected: ExpectedLevel[]
  /** What other runs of the trial said of what was predicted for them. */
  seen: MarginSeen[]
  /** Spreads learnt from those and from what this run held when it was taken along; null before any. */
  learnt: { checks: number; spreads: Spreads } | null
}

/** What is asked of a forecast. */
export interface ForecastAsk {
  basis: ForecastBasis
  plan: TrialPlan
  /** The marks as they are by now. */
  marks: Mark[]
  /** The run's checks so far. */
  checks: LoggedCheck[]
  /** Those still to be made. */
  open: CheckKey[]
  /** Where one stands; null where that is not known, and no way counts. */
  hereId: string | null
}

/** What the run and the others said so far. */
const seenBy = ({ basis, plan, marks, checks }: ForecastAsk): MarginSeen[] => [
  ...basis.seen,
  ...seenMargins(inputOf(plan, marks, checks, false), basis),
]

/** Spreads learnt from less are not to be trusted. */
const FEWEST = 8

/**
 * The spreads that a forecast's log speaks for; what is usual where it is too short. They are learnt anew, some seconds
 * of work, once a log has twice the checks that they were learnt from.
 */
export function forecastSpreads(
  ask: ForecastAsk,
  before: ForecastBasis['learnt'],
): NonNullable<ForecastBasis['learnt']> {
  const seen = seenBy(ask)
  const checks = new Set(seen.map((s) => s.checkId)).size
  if (before && checks < 2 * Math.max(before.checks, FEWEST)) return before
  return { checks, spreads: spreadsOf((checks >= FEWEST && learnCorrection(seen)) || priorCorrection([])) }
}

/**
 * Corrects what was predicted for the marks of a run by its log so far, and ranks the checks still to be made by how
 * much they would narrow how far the links reach, of several how that differs, a minute of walking and calling.
 * @param spreads as {@link forecastSpreads} learnt them, now or some checks ago
 * @returns null where nothing was said of any prediction yet
 */
export function fieldForecast(ask: ForecastAsk, spreads: Spreads): FieldForecast | null {
  const { basis, plan, marks, checks } = ask
  const seen = seenBy(ask)
  // What a device took along before links had a spread of their own at a place lacks it.
  const correction = learnCorrection(seen, { fixed: { ...spreadsOf(priorCorrection([])), ...spreads } })
  if (!correction) return null
  const placed = placedOf(marks)
  const expected = expectedAt(basis.expected)
  const chances: Record<string, number> = {}
  for (const mark of placed)
    for (const link of plan.links) {
      const weaker = weakerOf(plan.directions, (d) => {
        const e = expected(mark.id, linkKey(link), d)
        if (!e) return NaN
        const by = correctedBy(correction, e.key, d, mark, mark.distanceM, { doubtDb: e.doubtDb })
        return normalCdf((e.marginDb + by.db) / Math.hypot(by.placeSdDb, by.callSdDb))
      })
      if (Number.isFinite(weaker)) chances[forecastKey(mark.id, link.id)] = weaker
    }
  const ofRun = checks.filter((c) => c.voided === null).length
  return { checks: correction.checks, ofRun, chances, worth: worthOf(ask, placed, correction) }
}

function worthOf(ask: ForecastAsk, placed: readonly (Mark & Place)[], correction: Correction): WorthyCheck[] {
  const { basis, plan, open, hereId } = ask
  const expected = expectedAt(basis.expected)
  const predicted = new Set(basis.expected.map((e) => e.key))
  const links = plan.links.filter((l) => predicted.has(linkKey(l)))
  const ways = oneWays(plan.directions)
  const asked = placed.flatMap((mark): (AskedPlace & { mark: Mark })[] => {
    const predictedDb: Record<string, number> = {}
    for (const link of links)
      for (const d of ways) {
        const there = expected(mark.id, linkKey(link), d)
        if (!there) return []
        predictedDb[wayKey(link, d)] = there.marginDb
      }
    return [{ mark, place: mark, distanceM: mark.distanceM, predictedDb }]
  })
  if (links.length === 0) return []
  const here = placed.find((m) => m.id === hereId)
  const candidates = asked
    .filter(({ mark }) => open.some((c) => c.markId === mark.id))
    .map((a) => ({ ...a, minutes: minutesFor(here ? apartM(here, a.place) : 0) }))
  const first = new Map<string, CheckKey>()
  for (const key of open) {
    const of = `${key.markId} ${key.linkId} ${key.direction}`
    if (!first.has(of)) first.set(of, key)
  }
  return nextBest({
    targets: asked,
    candidates,
    links,
    directions: plan.directions,
    correction,
    reliability: plan.reliability,
    reportDb: reportSpreadDb(plan.scales),
  }).flatMap(({ candidate, link, direction, narrows, perMinute }) => {
    const key = first.get(`${candidates[candidate]!.mark.id} ${link.id} ${direction}`)
    return key ? [{ ...key, narrows, perMinute }] : []
  })
}
