import type { Direction } from '@/core/kit/rig/rig'
import type { Reading } from '@/core/reports/reading'
import { clopperPearson } from '@/core/stats/exact/clopperPearson'
import { cellMiddle, shiftCell, type LevelCell } from '@/core/stats/scales/levelCell'
import { exactSign } from '@/core/stats/exact/exactSign'
import type { CellsById } from '../levels'
import type { ReadCheck } from '../input'

/** Wins, draws and losses of A over B, a mark counting once; at one place a round. Needs no model. */
export interface WinsAndLosses {
  wins: number
  draws: number
  losses: number
  /** What counts once. */
  of: 'mark' | 'round'
  /** Those where the reports leave open which was stronger. */
  undecided: number
  /** Exact two-sided sign test; null below five that are not draws, where it cannot speak. */
  p: number | null
  /** Share of wins among what is not a draw, with its exact 90 % interval. */
  share: { low: number; high: number } | null
  /** What was compared: evened levels, or the order of the reports as given. */
  by: 'evened levels' | 'reports as given'
}

/** Place of a report on its own ordered scale; null where it says nothing about order. */
export function place(reading: Reading): number | null {
  if (reading.state === 'not heard') return -1
  if (reading.state !== 'heard') return null
  if (reading.strength) return reading.strength.from.units * 100 + reading.strength.from.overDb
  if (reading.level) return reading.level.from
  if (reading.count) return reading.count.k / reading.count.n
  return reading.readability ?? reading.step
}

/** 1 where a is surely above b, -1 below, 0 alike within half a step, null where it is open. */
function compareCells(a: LevelCell, b: LevelCell): number | null {
  const [ma, mb] = [cellMiddle(a), cellMiddle(b)]
  if (ma !== null && mb !== null) {
    const tolerance = Math.max(a.upper - a.lower, b.upper - b.lower) / 2
    return Math.abs(ma - mb) < tolerance - 1e-9 ? 0 : Math.sign(ma - mb)
  }
  if (a.notHeard && b.notHeard) return null
  if (a.lower >= b.upper - 1e-9) return 1
  if (b.lower >= a.upper - 1e-9) return -1
  return null
}

/**
 * Wins, draws and losses. Of what counts once the repeats and directions are set against each other in turn;
 * it goes to the link that won more of them.
 * @param units the checks of each mark, or of each round at one place
 * @param known dB by which A is favoured, by direction
 */
export function winsAndLosses(
  units: readonly (readonly ReadCheck[])[],
  of: WinsAndLosses['of'],
  cells: CellsById | null,
  linkA: string,
  linkB: string,
  directions: readonly Direction[],
  known: (d: Direction) => number,
): WinsAndLosses {
  const result = { wins: 0, draws: 0, losses: 0, undecided: 0 }
  for (const unit of units) {
    let score = 0
    let told = 0
    let tried = 0
    for (const direction of directions) {
      for (const a of unit) {
        if (a.linkId !== linkA || a.direction !== direction) continue
        for (const b of unit) {
          if (b.linkId !== linkB || b.direction !== direction || b.repeat !== a.repeat) continue
          tried++
          const outcome = cells
            ? compareEvened(cells.get(a.id), cells.get(b.id), known(direction))
            : comparePlaces(a.reading, b.reading)
          if (outcome === null) continue
          told++
          score += outcome
        }
      }
    }
    if (tried === 0) continue
    if (told === 0) result.undecided++
    else if (score > 0) result.wins++
    else if (score < 0) result.losses++
    else result.draws++
  }
  const n = result.wins + result.losses
  return {
    ...result,
    of,
    p: n >= 5 ? exactSign(result.wins, result.losses) : null,
    share: n > 0 ? clopperPearson(result.wins, n) : null,
    by: cells ? 'evened levels' : 'reports as given',
  }
}

function compareEvened(a: LevelCell | undefined, b: LevelCell | undefined, known: number): number | null {
  return a && b ? compareCells(shiftCell(a, known), b) : null
}

function comparePlaces(a: Reading, b: Reading): number | null {
  const [pa, pb] = [place(a), place(b)]
  return pa === null || pb === null ? null : Math.sign(pa - pb)
}
