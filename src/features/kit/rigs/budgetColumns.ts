import type { Budget, BudgetStep, PlacedPort } from '@/core/kit'

/** A step as it is drawn: from one level to the next, with the share that only the mismatch causes. */
export interface DrawnStep {
  name: string
  fromDbm: number
  toDbm: number
  /** The change of level in the drawing, dB. */
  db: number
  mismatchShareDb: number
  trace: BudgetStep['trace']
}

/** The steps of each column of the chain: the radio, then every item. */
export interface BudgetColumns {
  startDbm: number
  columns: DrawnStep[][]
  endDbm: number
}

/**
 * Sorts a budget's steps under the chain's columns.
 * @param startDbm for receiving, the level wanted at the radio: losses then raise what has to arrive, gains lower it
 */
export function budgetColumns(
  port: PlacedPort,
  budget: Budget,
  startDbm: number | null = null,
): BudgetColumns {
  const sign = startDbm === null ? 1 : -1
  let level = startDbm ?? budget.powerDbm
  const start = level
  const antennaKey = port.items.find((p) => p.part.kind === 'antenna')?.item.key ?? 'antenna'
  const columnOf = (key: string) =>
    key === 'match' || key === 'radio' ? 'radio' : key === 'body' ? antennaKey : key
  const keys = ['radio', ...port.items.map((p) => p.item.key)]
  if (!keys.includes(antennaKey)) keys.push(antennaKey)
  const columns = keys.map((): DrawnStep[] => [])
  for (const step of budget.steps) {
    if (step.key === 'radio') continue
    const db = sign * step.db
    const drawn = {
      name: step.name,
      fromDbm: level,
      toDbm: level + db,
      db,
      mismatchShareDb: step.mismatchShareDb,
      trace: step.trace,
    }
    level += db
    columns[keys.indexOf(columnOf(step.key))]?.push(drawn)
  }
  return { startDbm: start, columns, endDbm: level }
}

/** Whole fives of dB around all levels. */
export function levelSpan({ startDbm, columns, endDbm }: BudgetColumns): { low: number; high: number } {
  const all = [startDbm, endDbm, ...columns.flat().flatMap((s) => [s.fromDbm, s.toDbm])]
  const low = Math.floor((Math.min(...all) - 1.5) / 5) * 5
  const high = Math.ceil((Math.max(...all) + 1.5) / 5) * 5
  return { low, high: Math.max(high, low + 10) }
}
