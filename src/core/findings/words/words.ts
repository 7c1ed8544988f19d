import type { Reach } from '@/core/reach/reach'
import type { LevelFindings, RelayReach } from '../reach/levelFindings'
import { aboutDistanceText, type Units } from '@/core/units'
import { tenths as dB } from './phrases'
import type { JudgedPair } from '../compare/verdict'

/** A chance as people say it. */
export function chanceInWords(chance: number): string {
  if (Math.abs(chance - 0.9) < 1e-9) return 'nine times in ten'
  if (Math.abs(chance - 0.5) < 1e-9) return 'every other time'
  if (Math.abs(chance - 0.1) < 1e-9) return 'once in ten times'
  return `${Math.round(chance * 100)} times in a hundred`
}

/** An interval with open ends said in words: "3.1 to 6.4", "3.1 or more". */
export function intervalText(low: number | null, high: number | null, show: (v: number) => string): string {
  if (low !== null && high !== null) return `${show(low)} to ${show(high)}`
  if (low !== null) return `${show(low)} or more`
  if (high !== null) return `${show(high)} or less`
  return 'open at both ends'
}

/** The size of a difference seen from the better side: the figure to quote first, and what it is in dB beside it. */
function sizeText(pair: JudgedPair, sign: number): { first: string; beside: string } {
  const { evened, sUnits, joint, quoted } = pair
  const estimate = evened?.estimate ?? joint?.steps?.estimate
  if (estimate === undefined || !quoted) return { first: '', beside: '' }
  const show = (unit: string, size: number) => {
    const by = (v: number | null) => (v === null ? null : (sign * v) / size)
    const ends = [by(quoted.interval.low), by(quoted.interval.high)]
    const [low, high] = sign > 0 ? ends : ends.reverse()
    return `${dB((sign * estimate) / size)} ${unit} (${intervalText(low!, high!, dB)})`
  }
  if (!evened) return { first: show('steps of the scale', 1), beside: '' }
  if (!sUnits) return { first: show('dB', 1), beside: '' }
  return {
    first: show('S-units', sUnits.stepDb),
    beside: `That is ${show('dB', 1)} if the meter steps by ${sUnits.stepDb} dB.`,
  }
}

/** What is known of a pair and was taken out: "power and lead loss"; empty where nothing is. */
const takenOut = (pair: JudgedPair) =>
  [...new Set(pair.takenOut.flatMap((t) => t.known.map((k) => k.what)))].join(' and ')

/** What was taken out, as the name of the difference: "power and lead loss taken out". */
export function takenOutText(pair: JudgedPair): string {
  const what = takenOut(pair)
  return what === '' ? 'nothing known to take out' : `${what} taken out`
}

/** So much of the posterior is sure, and so much the other way. */
const SURE = 0.975

/**
 * Which of a pair reaches farther with what was used, where the verdict alone does not say it: what was taken out may
 * make a rig that is no better reach farther. Empty where the verdict says it.
 */
function fartherWords(pair: JudgedPair, name: (id: string) => string): string {
  const { joint, verdict } = pair
  if (!joint || joint.onePlace) return ''
  const [a, b] = [name(pair.a), name(pair.b)]
  const out = takenOut(pair)
  const farther = joint.aFarther >= SURE ? 'a' : joint.aFarther <= 1 - SURE ? 'b' : null
  if (!farther)
    return verdict.kind === 'cannot tell'
      ? `Which of them reaches farther cannot be told (${Math.round(100 * joint.aFarther)} to ${100 - Math.round(100 * joint.aFarther)}).`
      : ''
  if (verdict.kind === 'better' && verdict.which === farther) return ''
  const rig = farther === 'a' ? a : b
  if (out === '') return ''
  return verdict.kind === 'better'
    ? `Yet ${rig} reaches farther, by its ${out}.`
    : `${rig} reaches farther, by its ${out}; evened, that is not sure.`
}

/** The verdict of a pair: what it is in one sentence, and its size or reason beside it. @param name of a link by id */
export function verdictWords(
  pair: JudgedPair,
  name: (id: string) => string,
): { lead: string; detail: string } {
  const { verdict, wins, joint } = pair
  const marks = joint?.used ?? pair.evened?.marksUsed.length ?? wins.wins + wins.draws + wins.losses
  const unit = joint?.onePlace ? (marks === 1 ? 'round' : 'rounds') : marks === 1 ? 'mark' : 'marks'
  const from = `from ${marks} ${unit}${joint?.onePlace ? ' at one place: here, and only here' : ''}`
  const From = `F${from.slice(1)}`
  const farther = fartherWords(pair, name)
  const andFarther = farther && ` ${farther}`
  const [a, b] = [name(pair.a), name(pair.b)]
  // Over everything one may be ahead; where they change places that is an answer to another question.
  if (pair.trend?.crossing) {
    const near = pair.trend.band[0]!.median > 0 ? a : b
    const over =
      verdict.kind === 'better'
        ? `${verdict.which === 'a' ? a : b} is ahead over all that was tested by ${sizeText(pair, verdict.which === 'a' ? 1 : -1).first}, which says little of either end.`
        : 'Over all that was tested neither is ahead, which says little of either end.'
    return {
      lead: `${a} and ${b} change places: ${near} is ahead near the base, ${near === a ? b : a} far out`,
      detail: `${over} ${From}.`,
    }
  }
  if (verdict.kind === 'alike')
    return { lead: `${a} and ${b} are alike within ${verdict.marginDb} dB`, detail: `${From}.${andFarther}` }
  if (verdict.kind === 'better') {
    const [winner, loser] = verdict.which === 'a' ? [a, b] : [b, a]
    const { first, beside } = sizeText(pair, verdict.which === 'a' ? 1 : -1)
    return {
      lead: `${winner} is better than ${loser}${first && ` by ${first}`}`,
      detail: first
        ? `${beside} ${From}.${andFarther}`.trim()
        : `It won ${Math.max(wins.wins, wins.losses)} marks and lost ${Math.min(wins.wins, wins.losses)}.`,
    }
  }
  const needed = verdict.marksNeeded !== null && verdict.marksNeeded > marks ? verdict.marksNeeded : null
  return {
    lead: `Cannot tell ${a} from ${b} yet`,
    detail: `${verdict.why[0]!.toUpperCase()}${verdict.why.slice(1)}, ${from}.${needed ? ` About ${needed} marks would tell a difference that matters.` : ''}${andFarther}`,
  }
}

/** An interval of distances, its unit said once where both ends share it. */
function reachInterval(low: number | null, high: number | null, show: (m: number) => string): string {
  const unit = (text: string) => text.split(' ')[1]
  if (low !== null && high !== null && unit(show(low)) === unit(show(high)))
    return `${show(low).split(' ')[0]} to ${show(high)}`
  return intervalText(low, high, show)
}

/** A reach in one phrase: "about 2.9 km (2.6 to 3.3)". */
export function reachText(reach: Reach, units: Units): string {
  const show = (m: number) => aboutDistanceText(m, units)
  if (reach.seen === 'too few marks') return 'cannot tell from fewer than four marks'
  if (reach.seen === 'all copied')
    return `at least the farthest mark tried, ${show(reach.farthestM)}${reach.lowM !== null ? ` (surely ${show(Math.min(reach.lowM, reach.farthestM))})` : ''}`
  if (reach.seen === 'none copied') return `less than the nearest mark tried, ${show(reach.nearestM)}`
  const { estimateM, lowM, highM, nearestM, farthestM } = reach
  if (estimateM === null)
    return lowM !== null && lowM > farthestM
      ? `beyond the marks, ${show(farthestM)} or more`
      : highM !== null && highM < nearestM
        ? `less than the nearest mark tried, ${show(nearestM)}`
        : `cannot tell: ${intervalText(lowM, highM, show)}`
  return `about ${show(estimateM)} (${reachInterval(lowM, highM, show)})${reach.extrapolated ? ', beyond the marks: extrapolated' : ''}`
}

/** Whether both directions match, once the greater power is taken off. */
export function outBackWords(
  o: LevelFindings['outBack'][number],
  name: (id: string) => string,
  marginDb: number,
): string {
  const stronger = (v: number) =>
    `${Math.abs(v).toFixed(1)} dB ${v >= 0 ? 'stronger out there than at the base' : 'stronger at the base than out there'}`
  const [low, high] = [o.low - o.powerDb, o.high - o.powerDb]
  const matches = low > -marginDb && high < marginDb
  const unclear = !matches && low <= 0 && high >= 0
  const same = Math.abs(o.powerDb) < 0.05
  const power = same ? 'both ends have the same power' : `${dB(o.powerDb)} dB of it is power`
  const rest = matches
    ? `${same ? '' : ', and the rest lies within the margin'}: both directions match`
    : unclear
      ? `${same ? ', and' : '; beyond that'} nothing is seen, but ${dB(Math.max(-low, high))} dB would have been missed`
      : `; beyond that ${stronger(o.db - o.powerDb)}: another meter, another noise or a poor receiver`
  return `${name(o.linkId)} is heard ${stronger(o.db)} (${dB(o.low)} to ${dB(o.high)}); ${power}${rest}.`
}

/** Handset to handset by way of a relay: in and out again, each with its own chance. */
export function throughWords(reach: RelayReach, chance: number, units: Units): string {
  const show = (m: number) => aboutDistanceText(m, units)
  return `Through the relay, one handset to another with both as far from it, about ${show(reach.estimateM)} (${reachInterval(reach.lowM, reach.highM, show)}) ${chanceInWords(chance)}`
}
