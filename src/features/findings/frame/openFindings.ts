import { notFound } from 'next/navigation'
import { db } from '@/data'
import { answerOf, type Answer, type Findings } from '@/core/findings'
import { marksNow } from '@/core/trial'
import type { Units } from '@/core/units'
import { readUnits } from '@/server/readUnits'
import { walksOf } from './compute'
import { findingsAsked, type Query } from './request'

export interface FindingsProps {
  params: Promise<{ id: string }>
  searchParams: Promise<Query>
}

type Asked = NonNullable<ReturnType<typeof findingsAsked>>
/** An address that there is something to show for. */
export type AskedFindings = Extract<Asked, { shown: object }>
type Nothing = Exclude<Asked, AskedFindings>

/** What an address of a place of the findings asks for; a page of its own where there is no such trial. */
export async function openFindings({
  params,
  searchParams,
}: FindingsProps): Promise<{ asked: AskedFindings | Nothing; units: Units }> {
  const asked = findingsAsked(db(), (await params).id, await searchParams)
  if (!asked) notFound()
  return { asked, units: await readUnits() }
}

/** Names as sentences have them. */
export function namesOf({ plan, shown, runs }: Pick<AskedFindings, 'plan' | 'shown' | 'runs'>) {
  const marks = new Map(marksNow(plan, shown.log).map((m) => [m.id, m.name]))
  return {
    link: (id: string) => plan.links.find((l) => l.id === id)?.name ?? 'another rig',
    mark: (id: string) => marks.get(id) ?? 'another mark',
    run: (id: string) => runs.find((r) => r.row.id === id)?.row.name ?? 'another run',
  }
}

/** The answer under what an address asks for. */
export async function answerFor(asked: AskedFindings, findings: Findings, units: Units): Promise<Answer> {
  const { plan, shown, settings } = asked
  const { link, mark } = namesOf(asked)
  return answerOf({
    plan,
    log: shown.log,
    findings,
    walks: await walksOf(plan, shown.log, settings),
    reliability: settings.reliability,
    units,
    link,
    mark,
  })!
}
