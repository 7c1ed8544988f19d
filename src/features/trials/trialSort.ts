export const TRIAL_ORDERS = ['begun last', 'worked on last', 'by name'] as const
export type TrialOrder = (typeof TRIAL_ORDERS)[number]

/** What trials are found and put in order by. */
export interface SortedBy {
  name: string
  question: string
  createdAt: string
  /** When its newest run began, or itself. */
  workedAt: string
}

/** Trials whose name or question has every word that is looked for, in an order. */
export function sortedTrials<T extends SortedBy>(
  trials: readonly T[],
  words: string,
  order: TrialOrder,
): T[] {
  const wanted = words.toLowerCase().split(/\s+/).filter(Boolean)
  const found = trials.filter((t) => {
    const text = `${t.name} ${t.question}`.toLowerCase()
    return wanted.every((w) => text.includes(w))
  })
  const by: Record<TrialOrder, (a: T, b: T) => number> = {
    'worked on last': (a, b) => b.workedAt.localeCompare(a.workedAt),
    'begun last': (a, b) => b.createdAt.localeCompare(a.createdAt),
    'by name': (a, b) => a.name.localeCompare(b.name, undefined, { numeric: true, sensitivity: 'base' }),
  }
  return found.sort(by[order])
}
