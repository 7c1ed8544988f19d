import { acrossPlaces, type AskedFrom, type PlacePair } from '@/core/findings'
import type { TrialPlan } from '@/core/trial'
import type { Units } from '@/core/units'
import { db, otherPlaces } from '@/data'
import { findingsOfRuns } from './compute'
import { answerFor, type AskedFindings } from './openFindings'
import { findingsAsked } from './request'

/** The same question from other places of the base, as far as anything was logged there. */
export interface Places {
  pairs: PlacePair[]
  others: { trialId: string; place: string; lead: string }[]
}

const rigsOf = (plan: TrialPlan) =>
  Object.fromEntries(plan.links.map((l) => [l.id, `${l.base.id} ${l.out.id}`]))

/** What was found from other places, under the same copy rule and reliability; null where the question has one place. */
export async function placesOf(
  asked: AskedFindings,
  answer: AskedFrom['answer'],
  units: Units,
): Promise<Places | null> {
  const { open, plan, settings } = asked
  const siblings = otherPlaces(db(), open.trial.id)
  if (siblings.length === 0) return null
  const named = (base: string | null | undefined, trial: string, other: (string | null | undefined)[]) =>
    base && !other.includes(base) ? base : trial
  const bases = siblings.map((s) => s.base)
  const here: AskedFrom = {
    id: open.trial.id,
    place: named(plan.base?.name, open.trial.name, bases),
    answer,
    rigs: rigsOf(plan),
  }
  const others = await Promise.all(
    siblings.map(async (s, i): Promise<(AskedFrom & { lead: string }) | null> => {
      const there = findingsAsked(db(), s.trialId, settings.by === 'second' ? { by: 'second' } : {})
      if (!there?.shown) return null
      const { rule, reliability, marginDb } = settings
      const under = { ...there, settings: { ...there.settings, rule, reliability, marginDb } }
      const found = await answerFor(under, await findingsOfRuns(under.chosen, under.settings), units)
      const rest = [plan.base?.name, ...bases.filter((_, k) => k !== i)]
      return {
        id: s.trialId,
        place: named(s.base, s.name, rest),
        answer: found,
        rigs: rigsOf(there.plan),
        lead: found.lead,
      }
    }),
  )
  const held = others.filter((o) => o !== null)
  return {
    pairs: acrossPlaces([here, ...held]),
    others: held.map((o) => ({ trialId: o.id, place: o.place, lead: o.lead })),
  }
}
