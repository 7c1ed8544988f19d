import type { Mark } from './plan'

/** How an outing goes. */
export interface TurnBackInput {
  /** Minutes from midnight. */
  startMin: number
  speedKmh: number
  minutesAtMark: number
  /** When everybody must be back, minutes from midnight; null where it does not matter. */
  backByMin: number | null
}

/** One leg of an outing. */
export interface TurnBackLeg {
  legId: string
  legName: string
  /** Out along the way and back the same way, km. */
  outKm: number
  backKm: number
  marks: number
  leaveMin: number
  /** At the last mark, and back at the base. */
  lastMin: number
  backMin: number
  /** Turn round then, wherever you are; null where there is no time to be back. */
  turnBackMin: number | null
}

/** Crow-flies to walked, where the way is not known: paths wind. */
const WINDING = 1.3

/**
 * The way of an outing, leg after leg from the base, out and back. Turn back is when the rest of the time is
 * what the way back takes from the farthest point reached by then.
 * @throws RangeError where the speed is not above 0 or a time is below 0
 */
export function planTurnBack(marks: readonly Mark[], input: TurnBackInput): TurnBackLeg[] {
  const { startMin, speedKmh, minutesAtMark, backByMin } = input
  if (!(speedKmh > 0)) throw new RangeError('the speed must be above 0 km/h')
  if (!(minutesAtMark >= 0)) throw new RangeError('the time at a mark is 0 minutes or more')
  const legIds = [...new Set(marks.map((m) => m.legId))]
  let clock = startMin
  return legIds.map((legId): TurnBackLeg => {
    const mine = marks.filter((m) => m.legId === legId)
    const farthest = Math.max(...mine.map((m) => m.alongM ?? m.distanceM * WINDING))
    const km = farthest / 1000
    const walkMin = (km / speedKmh) * 60
    const leaveMin = clock
    const lastMin = leaveMin + walkMin + mine.length * minutesAtMark
    const backMin = lastMin + walkMin
    clock = backMin
    // Walking and stopping go on evenly, so the way back from a time t out is the share of the way done by then.
    const outMin = lastMin - leaveMin
    const left = backByMin === null ? null : backByMin - leaveMin
    const turn = left === null ? null : leaveMin + (left * outMin) / (outMin + walkMin)
    return {
      legId,
      legName: mine[0]!.legName,
      outKm: km,
      backKm: km,
      marks: mine.length,
      leaveMin,
      lastMin,
      backMin,
      turnBackMin: turn === null ? null : Math.min(turn, lastMin),
    }
  })
}

/** "09:05"; past midnight with a day more. */
export function clockText(minutes: number): string {
  const m = Math.round(minutes)
  const day = Math.floor(m / 1440)
  const rest = ((m % 1440) + 1440) % 1440
  const text = `${String(Math.floor(rest / 60)).padStart(2, '0')}:${String(rest % 60).padStart(2, '0')}`
  return day > 0 ? `${text} (+${day} d)` : text
}

/** Minutes from midnight of "09:05"; null where it is no time. */
export function readClock(text: string): number | null {
  const m = /^\s*(\d{1,2})[:.](\d{2})\s*$/.exec(text)
  if (!m || Number(m[1]) > 23 || Number(m[2]) > 59) return null
  return Number(m[1]) * 60 + Number(m[2])
}
