import type { LevelCell } from './levelCell'
import { quickNormalCdf } from './quickNormalCdf'

/** How far beyond its edges a report's chance is tabled, in standard deviations; nought or one past that. */
const BEYOND = 8
const PER_SD = 32

/**
 * The chance of a kind of report by level: `values[i]` belongs to `startDb + i / perDb`, counted from the
 * report's edge.
 */
export interface ChanceTable {
  values: Float64Array
  startDb: number
  perDb: number
}

interface Kind extends ChanceTable {
  width: number
  softDb: number
  sd: number
}

/** The edge that a report's table is counted from: its lower one, or its upper one where it is open below. */
export const edgeOf = (cell: LevelCell) => (Number.isFinite(cell.lower) ? cell.lower : cell.upper)

/** Infinity for one open above, -Infinity for one open below, NaN for one that says nothing. */
const widthOf = ({ lower, upper }: LevelCell) =>
  Number.isFinite(lower) ? upper - lower : Number.isFinite(upper) ? -Infinity : NaN

function tabled(width: number, softDb: number, sd: number): Kind {
  const softSd = softDb === 0 ? sd : Math.hypot(sd, softDb)
  const span = BEYOND * Math.max(sd, softSd)
  const startDb = -span
  const endDb = Number.isFinite(width) ? width + span : span
  const perDb = PER_SD / sd
  const n = Math.ceil((endDb - startDb) * perDb) + 2
  const values = new Float64Array(n)
  for (let i = 0; i < n; i++) {
    const level = startDb + i / perDb
    values[i] =
      width === -Infinity
        ? quickNormalCdf(-level / softSd)
        : width === Infinity
          ? quickNormalCdf(level / softSd)
          : softDb === 0 && level < 0
            ? quickNormalCdf(level / sd) - quickNormalCdf((level - width) / sd)
            : quickNormalCdf((width - level) / softSd) - quickNormalCdf(-level / sd)
  }
  return { values, startDb, perDb, width, softDb, sd }
}

/** Gives the table of a report's chance by its kind and the spread. */
export type ChanceTables = (cell: LevelCell, sd: number) => ChanceTable

/** Kinds that are kept; with new spreads all the time the old ones are let go. */
const MAX_KINDS = 60

/**
 * Chances of reports as tables, one for each kind of report (how wide, how soft) and each spread: reports of
 * a run are of a few kinds only, and reading a table costs a tenth of two normal distribution functions.
 * Linear between steps of a thirty-second of the spread: absolute error below 6e-5.
 */
export function chanceTables(): ChanceTables {
  let kinds: Kind[] = []
  return (cell, sd) => {
    const width = widthOf(cell)
    for (const k of kinds)
      if (k.sd === sd && k.softDb === cell.softDb && (k.width === width || Math.abs(k.width - width) < 1e-9))
        return k
    if (kinds.length >= MAX_KINDS) kinds = kinds.slice(MAX_KINDS / 2)
    const made = tabled(width, cell.softDb, sd)
    kinds.push(made)
    return made
  }
}

/** Multiplies `into[from..to)` by a report's chance at levels that go up by `stepDb` from `levelDb`. */
export function multiplyChance(
  into: Float64Array,
  to: number,
  table: ChanceTable,
  edgeDb: number,
  levelDb: number,
  stepDb: number,
): void {
  const { values, startDb, perDb } = table
  const last = values.length - 1
  const step = stepDb * perDb
  let x = (levelDb - edgeDb - startDb) * perDb
  for (let i = 0; i < to; i++, x += step) {
    if (x <= 0) into[i]! *= values[0]!
    else if (x >= last) into[i]! *= values[last]!
    else {
      const k = x | 0
      const a = values[k]!
      into[i]! *= a + (x - k) * (values[k + 1]! - a)
    }
  }
}
