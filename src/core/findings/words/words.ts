import type { Reach } from '@/core/reach/reach'
import type { LevelFindings, RelayReach } from '../reach/levelFindings'
import { aboutDistanceText, countText, distanceInterval, intervalText, type Units } from '@/core/units'
import { capital, tenths as dB } from './phrases'
import type { JudgedPair } from '../compare/verdict'

/** A chance as people say it. */
export function chanceInWords(chance: number): string {
  if (Math.abs(chance - 0.9) < 1e-9) return '9 times in 10'
  if (Math.abs(chance - 0.5) < 1e-9) return 'half the time'
  if (Math.abs(chance - 0.1) < 1e-9) return '1 time in 10'
  return `${Math.round(chance * 100)} times in 100`
}

/** "1.4 times as far (1.1 to 1.8)", seen from the better side. */
function timesText(
  { estimate, low, high }: { estimate: number; low: number; high: number },
  sign: number,
): string {
  const seen = (v: number) => (sign > 0 ? v : 1 / v)
  const [from, to] = sign > 0 ? [seen(low), seen(high)] : [seen(high), seen(low)]
  return `${dB(seen(estimate))} times as far (${intervalText(from, to, dB)})`
}

/** The size of a difference seen from the better side: the figure to quote first, and what it is in dB beside it. */
function sizeText(pair: JudgedPair, sign: number): { first: string; beside: string } {
  const { evened, sUnits, joint, quoted } = pair
  if (joint?.times) return { first: timesText(joint.times, sign), beside: '' }
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

/** " by 3.1 dB (2.0 to 4.2)", or ", heard 1.4 times as far (1.1 to 1.8)"; empty where no size is told. */
function byText(pair: JudgedPair, sign: number): string {
  const { first } = sizeText(pair, sign)
  return first && (pair.joint?.times ? `, heard ${first}` : ` by ${first}`)
}

/** What is taken out and is less than this goes without saying, dB. */
const WORTH_NAMING_DB = 0.5

/** What is known of a pair and was taken out: "power and lead loss"; empty where nothing is, or hardly anything. */
export const takenOut = (pair: JudgedPair) =>
  [
    ...new Set(
      pair.takenOut.flatMap((t) =>
        t.known.filter((k) => Math.abs(k.db) >= WORTH_NAMING_DB).map((k) => k.what),
      ),
    ),
  ].join(' and ')

/** What was taken out, as the name of the difference: "power and lead loss taken out". */
export function takenOutText(pair: JudgedPair): string {
  const what = takenOut(pair)
  const match = Math.max(0, ...pair.takenOut.flatMap((t) => t.known.map((k) => Math.abs(k.ofMatchDb ?? 0))))
  if (what === '') return 'nothing known to take out'
  return `${what} taken out${match >= WORTH_NAMING_DB ? `; the match explains ${match.toFixed(1)} dB of it` : ''}`
}

/** So much of the posterior is sure, and so much the other way. */
const SURE = 0.975

/** From here on a pair that is not sure leans one way. */
const LEANS = 0.9

/** Which of a pair it leans to. @param a the chance that it is the first */
const leaning = (a: number): 'a' | 'b' | null => (a >= LEANS ? 'a' : a <= 1 - LEANS ? 'b' : null)

/** Which of a pair is the likelier to reach farther, where that is not sure. */
function likelierWords({ quoted }: JudgedPair, aFarther: number, a: string, b: string): string {
  const ofA = Math.round(100 * aFarther)
  const leans = leaning(aFarther)
  if (!leans) return `Which of them reaches farther cannot be told (${ofA} to ${100 - ofA}).`
  const [rig, odds] = leans === 'a' ? [a, `${ofA} to ${100 - ofA}`] : [b, `${100 - ofA} to ${ofA}`]
  return quoted?.allowsForStopping
    ? `${rig} is the likelier to reach farther (${odds}), which does not allow for the early end.`
    : `${rig} probably reaches farther (${odds}).`
}

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
  if (!farther) return verdict.kind === 'cannot tell' ? likelierWords(pair, joint.aFarther, a, b) : ''
  if (verdict.kind === 'better' && verdict.which === farther) return ''
  const rig = farther === 'a' ? a : b
  if (out === '') return ''
  return verdict.kind === 'better'
    ? `Yet ${rig} reaches farther as it was used, ${out} included.`
    : `${rig} reaches farther as it was used, ${out} included; with that taken out it is not sure.`
}

/** Which of a pair is probably better where that is not sure; never of a run that may have stopped when it seemed clear. */
function probably({ verdict, quoted, joint }: JudgedPair): 'a' | 'b' | null {
  if (verdict.kind !== 'cannot tell' || !joint || !quoted || quoted.allowsForStopping) return null
  if (verdict.marksNeeded === null) return null
  return leaning(joint.aBetter)
}

/** What the difference may be, where it is in dB and bounded: " (−1.0 to 6.1 dB)". */
const rangeText = ({ evened, quoted }: JudgedPair) =>
  evened && quoted && quoted.interval.low !== null && quoted.interval.high !== null
    ? ` (${intervalText(quoted.interval.low, quoted.interval.high, dB)} dB)`
    : ''

/** Marks beyond those used that would tell a difference that matters; null where none are foreseen. */
export function marksWanted({ verdict, joint, evened, wins }: JudgedPair): number | null {
  if (verdict.kind !== 'cannot tell' || verdict.marksNeeded === null) return null
  const used = joint?.used ?? evened?.marksUsed.length ?? wins.wins + wins.draws + wins.losses
  return verdict.marksNeeded > used ? verdict.marksNeeded - used : null
}

/** A verdict in words. */
interface VerdictWords {
  /** What it is, in one sentence without its full stop. */
  lead: string
  /** Its size or reason, how many marks it comes from, and how many more would settle it. */
  detail: string
  /** The same without the marks, for where those are said anyway; may be empty. */
  rest: string
}

/** The verdict of a pair: what it is in one sentence, and its size or reason beside it. @param name of a link by id */
export function verdictWords(pair: JudgedPair, name: (id: string) => string): VerdictWords {
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
        ? `${verdict.which === 'a' ? a : b} is ahead over all that was tested${byText(pair, verdict.which === 'a' ? 1 : -1)}, which says little of either end.`
        : 'Over all that was tested neither is ahead, which says little of either end.'
    return {
      lead: `${a} and ${b} change places: ${near} is ahead near the base, ${near === a ? b : a} far out`,
      detail: `${over} ${From}.`,
      rest: over,
    }
  }
  if (verdict.kind === 'alike')
    return {
      lead: `${a} and ${b} are alike within ${verdict.marginDb} dB`,
      detail: `${From}.${andFarther}`,
      rest: farther,
    }
  if (verdict.kind === 'better') {
    const [winner, loser] = verdict.which === 'a' ? [a, b] : [b, a]
    const { beside } = sizeText(pair, verdict.which === 'a' ? 1 : -1)
    const counted = `It won ${countText(Math.max(wins.wins, wins.losses), wins.of)} and lost ${Math.min(wins.wins, wins.losses)}.`
    return {
      lead: `${winner} is better than ${loser}${byText(pair, verdict.which === 'a' ? 1 : -1)}`,
      detail: joint ? `${beside} ${From}.${andFarther}`.trim() : counted,
      rest: joint ? `${beside}${andFarther}`.trim() : counted,
    }
  }
  const wanted = marksWanted(pair)
  const more = wanted
    ? ` About ${countText(wanted, joint?.onePlace ? 'more round' : 'more mark')} would settle it.`
    : ''
  const leans = probably(pair)
  if (leans) {
    const { first, beside } = sizeText(pair, leans === 'a' ? 1 : -1)
    return {
      lead: `${leans === 'a' ? a : b} is probably better than ${leans === 'a' ? b : a}, by about ${first}`,
      detail: `${beside} Not sure yet, ${from}.${more}${andFarther}`.trim(),
      rest: `${beside} Not sure yet.${andFarther}`.trim(),
    }
  }
  const why = `${capital(verdict.why)}${rangeText(pair)}`
  return {
    lead: `Cannot tell ${a} from ${b} yet`,
    detail: `${why}, ${from}.${more}${andFarther}`,
    rest: `${why}.${andFarther}`,
  }
}

/** A reach in one phrase: "about 2.9 km (2.6 to 3.3)". */
export function reachText(reach: Reach, units: Units): string {
  const show = (m: number) => aboutDistanceText(m, units)
  if (reach.seen === 'too few marks') return 'cannot tell from fewer than four marks'
  if (reach.seen === 'all copied')
    return `copied at every mark out to ${show(reach.farthestM)}${reach.lowM !== null && reach.lowM < reach.farthestM ? `, surely to ${show(reach.lowM)}` : ''}`
  if (reach.seen === 'none copied') return `not copied, not even at the nearest mark, ${show(reach.nearestM)}`
  const { estimateM, lowM, highM, nearestM, farthestM } = reach
  if (estimateM === null)
    return lowM !== null && lowM > farthestM
      ? `beyond the marks, ${show(farthestM)} or more`
      : highM !== null && highM < nearestM
        ? `less than the nearest mark, ${show(nearestM)}`
        : `cannot tell: ${intervalText(lowM, highM, show)}`
  return `about ${show(estimateM)} (${distanceInterval(lowM, highM, show)})${reach.extrapolated ? ', beyond the marks: extrapolated' : ''}`
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
  return `Through the relay, one handset to another with both as far from it, about ${show(reach.estimateM)} (${distanceInterval(reach.lowM, reach.highM, show)}) ${chanceInWords(chance)}`
}
