import type { Reach } from '@/core/reach/reachFromCopies'
import { distanceText, type Units } from '@/core/units'
import type { JudgedPair } from './verdict'

const dB = (v: number) => v.toFixed(1)

/** A chance as people say it. */
export function chanceInWords(chance: number): string {
  if (Math.abs(chance - 0.9) < 1e-9) return 'nine times in ten'
  if (Math.abs(chance - 0.5) < 1e-9) return 'every other time'
  return `${Math.round(chance * 100)} times in a hundred`
}

/** An interval with open ends said in words: "3.1 to 6.4", "3.1 or more". */
export function intervalText(low: number | null, high: number | null, show: (v: number) => string): string {
  if (low !== null && high !== null) return `${show(low)} to ${show(high)}`
  if (low !== null) return `${show(low)} or more`
  if (high !== null) return `${show(high)} or less`
  return 'open at both ends'
}

/** The size of a difference, seen from the better side: S-units where the meter was not measured, else dB. */
function sizeText(pair: JudgedPair, sign: number): string {
  const { evened, sUnits } = pair
  if (!evened) return ''
  const turn = (low: number | null, high: number | null): [number | null, number | null] =>
    sign > 0 ? [low, high] : [high === null ? null : -high, low === null ? null : -low]
  const [low, high] = turn(evened.interval90.low, evened.interval90.high)
  const inDb =
    evened.estimate === null
      ? `${intervalText(low, high, dB)} dB`
      : `${dB(sign * evened.estimate)} dB (${intervalText(low, high, dB)})`
  if (!sUnits) return inDb
  const [sLow, sHigh] = turn(sUnits.low, sUnits.high)
  const units =
    sUnits.estimate === null
      ? `${intervalText(sLow, sHigh, dB)} S-units`
      : `${dB(sign * sUnits.estimate)} S-units (${intervalText(sLow, sHigh, dB)})`
  return `${units}; ${inDb} if the meter steps by 6 dB`
}

/** What was taken out, as the name of the difference: "power and lead loss taken out". */
export function takenOutText(pair: JudgedPair): string {
  const what = [...new Set(pair.takenOut.flatMap((t) => t.known.map((k) => k.what)))]
  return what.length === 0 ? 'nothing known to take out' : `${what.join(' and ')} taken out`
}

/** The verdict of a pair in one sentence. @param name of a link by its id */
export function verdictText(pair: JudgedPair, name: (id: string) => string): string {
  const { verdict } = pair
  const marks = pair.evened?.marksUsed.length ?? pair.wins.wins + pair.wins.draws + pair.wins.losses
  if (verdict.kind === 'alike')
    return `${name(pair.a)} and ${name(pair.b)} are alike within ${verdict.marginDb} dB, from ${marks} marks.`
  if (verdict.kind === 'better') {
    const [winner, loser] = verdict.which === 'a' ? [pair.a, pair.b] : [pair.b, pair.a]
    const size = sizeText(pair, verdict.which === 'a' ? 1 : -1)
    const by = size
      ? ` by ${size}`
      : `: it won ${Math.max(pair.wins.wins, pair.wins.losses)} marks and lost ${Math.min(pair.wins.wins, pair.wins.losses)}`
    return `${name(winner)} is better than ${name(loser)}${by}, from ${marks} marks.`
  }
  const more =
    verdict.marksNeeded !== null && verdict.marksNeeded > marks
      ? ` About ${verdict.marksNeeded} marks would tell a difference that matters.`
      : ''
  return `Cannot tell ${name(pair.a)} from ${name(pair.b)} yet: ${verdict.why}.${more}`
}

/** A reach in one phrase: "about 2.9 km (2.6 to 3.3)". */
export function reachText(reach: Reach, units: Units): string {
  const show = (m: number) => distanceText(m, units)
  if (reach.seen === 'too few marks') return 'cannot tell from fewer than four marks'
  if (reach.seen === 'all copied')
    return `at least the farthest mark tried, ${show(reach.farthestM)}${reach.lowM !== null ? ` (surely ${show(Math.min(reach.lowM, reach.farthestM))})` : ''}`
  if (reach.seen === 'none copied') return `less than the nearest mark tried, ${show(reach.nearestM)}`
  // A bound beyond twice the farthest mark, or half the nearest, is a matter of the curve and not of the log.
  const low = reach.lowM === null || reach.lowM < reach.nearestM / 2 ? null : reach.lowM
  const high = reach.highM === null || reach.highM > reach.farthestM * 2 ? null : reach.highM
  if (reach.estimateM === null || reach.estimateM > reach.farthestM * 2)
    return low === null ? 'cannot tell' : `${show(Math.min(low, reach.farthestM))} or more`
  if (reach.estimateM < reach.nearestM / 2) return `less than the nearest mark tried, ${show(reach.nearestM)}`
  const within =
    low === null && high === null ? 'the margin is open at both ends' : intervalText(low, high, show)
  return `about ${show(reach.estimateM)} (${within})${reach.extrapolated ? ', beyond the marks: extrapolated' : ''}`
}
