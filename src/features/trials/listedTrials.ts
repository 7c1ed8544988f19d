import { listTrials, newestRuns, type Db, type TrialRow } from '@/data'
import { trialLine } from './trialLine'
import type { TrialLine } from './trialLineType'
import { sortedTrials, TRIAL_ORDERS, type TrialOrder } from './trialSort'

/** So many trials are listed at a time: only these are looked into. */
export const LISTED = 40

/** What of the list is asked for. */
export interface ListAsked {
  words: string
  order: TrialOrder
  /** From 1. */
  page: number
}

/** Trials put away or not, a page of them. */
interface ListPart {
  lines: TrialLine[]
  /** So many are there in all. */
  found: number
}

export interface ListedTrials {
  asked: ListAsked
  /** Of the ones that are not put away. */
  pages: number
  here: ListPart
  /** The first of these alone; more are found by their words. */
  away: ListPart
  /** Whatever is looked for. */
  all: number
  samples: boolean
}

/** What the address asks for; what it does not say, or says wrongly, is as usual. */
export function listAsked(query: Record<string, string | string[] | undefined>): ListAsked {
  const one = (key: string) => (typeof query[key] === 'string' ? query[key] : '')
  return {
    words: one('find').slice(0, 200),
    order: TRIAL_ORDERS.find((o) => o === one('order')) ?? TRIAL_ORDERS[0],
    page: Math.max(1, Math.floor(Number(one('page'))) || 1),
  }
}

/** The trials that are asked for, a page of them. */
export function listedTrials(db: Db, asked: ListAsked): ListedTrials {
  const rows = listTrials(db)
  const runs = newestRuns(db)
  const sorted = sortedTrials(
    rows.map((t) => ({ ...t, workedAt: [t.createdAt, runs.get(t.id) ?? ''].sort()[1]! })),
    asked.words,
    asked.order,
  )
  const part = (of: TrialRow[], page: number): ListPart => ({
    lines: of.slice((page - 1) * LISTED, page * LISTED).map((t) => trialLine(db, t)),
    found: of.length,
  })
  const here = sorted.filter((t) => t.archivedAt === null)
  const pages = Math.max(1, Math.ceil(here.length / LISTED))
  const page = Math.min(asked.page, pages)
  return {
    asked: { ...asked, page },
    pages,
    here: part(here, page),
    away: part(
      sorted.filter((t) => t.archivedAt !== null),
      1,
    ),
    all: rows.length,
    samples: rows.some((t) => t.sample),
  }
}
