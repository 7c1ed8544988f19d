import type { TrialLine } from './trialLineType'

export const TRIAL_ORDERS = ['worked on last', 'begun last', 'by name'] as const
export type TrialOrder = (typeof TRIAL_ORDERS)[number]

/** Trials whose name, question or state has every word that is looked for, in an order. */
export function sortedTrials(trials: readonly TrialLine[], words: string, order: TrialOrder): TrialLine[] {
  const wanted = words.toLowerCase().split(/\s+/).filter(Boolean)
  const found = trials.filter((t) => {
    const text = `${t.name} ${t.question} ${t.state}`.toLowerCase()
    return wanted.every((w) => text.includes(w))
  })
  const by: Record<TrialOrder, (a: TrialLine, b: TrialLine) => number> = {
    'worked on last': (a, b) => b.workedAt.localeCompare(a.workedAt),
    'begun last': (a, b) => b.begunAt.localeCompare(a.begunAt),
    'by name': (a, b) => a.name.localeCompare(b.name, undefined, { numeric: true, sensitivity: 'base' }),
  }
  return found.sort(by[order])
}
