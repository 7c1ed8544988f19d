import type { FactorName } from '@/core/kit/rig/traits'
import { CONDITIONS, type ConditionFactor } from '@/core/trial/conditions'
import { intervalText, type Units } from '@/core/units'
import { andList, capital, signed, tenths as plain, unitText } from '../words/phrases'
import { reachText } from '../words/words'
import type { LegReach } from '../reach/jointReaches'
import type { ByWhat, Breakdown } from './breakdown'
import type { DifferenceUnit } from '../joint/jointFit'
import type { DifferenceBy } from './differencesBy'
import type { Drift } from './drift'
import type { Matrix } from './matrix'
import type { OtherStations } from './otherScales'
import type { AgainstPrediction } from './predicted'
import type { RunApart, RunOffset } from './runOffsets'
import type { Erratic } from './erratic'

type Name = (id: string) => string
const END = { base: 'at the base', out: 'out there' } as const
/** A figure with its unit as it stands in a sentence, a blank before it; nothing where there is no size. */
const sized = (unit: DifferenceUnit, text: string) => (unit === 'none' ? '' : ` ${text} ${unitText(unit)}`)
const interval = ({ low, high }: { low: number | null; high: number | null }) =>
  intervalText(low, high, signed)

/** What each thing brought, whether they add up, and what cannot be told apart. */
export function matrixWords(matrix: Matrix): string[] {
  const { unit } = matrix
  const words = matrix.mains.map((m) => {
    const what = `${andList(m.names)} ${END[m.end]}`
    if (unit === 'none')
      return m.holds
        ? `${capital(m.level)} instead of ${m.against} (${what}) ${m.effect.estimate > 0 ? 'helped' : 'cost'}.`
        : `Cannot tell what ${m.level} instead of ${m.against} (${what}) brings.`
    const size = `${signed(m.effect.estimate)} ${unitText(unit)} (${interval(m.effect.interval90)})`
    return m.holds
      ? `${capital(m.level)} instead of ${m.against} (${what}) brought ${size}.`
      : `Cannot tell what ${m.level} instead of ${m.against} (${what}) brings: ${size}.`
  })
  const holding = matrix.interactions.filter((i) => i.holds)
  for (const i of holding)
    words.push(
      `They do not add up: with ${i.second.level}, ${i.first.level} helped${sized(unit, plain(Math.abs(i.effect.estimate)))} ${i.effect.estimate > 0 ? 'more' : 'less'} than without it${unit === 'none' ? '' : ` (${interval(i.effect.interval90)})`}.`,
    )
  if (matrix.interactions.length > 0 && holding.length === 0)
    words.push('No sign that they do more, or less, than add up.')
  if (matrix.interactions.length === 0)
    words.push('Too few of the combinations were tried to say whether they add up.')
  const base = matrix.mains.find((m) => m.end === 'base' && m.holds && m.effect.estimate > 0)
  const crossed = matrix.interactions.filter((i) => i.first.end === 'base' || i.second.end === 'base')
  if (base && crossed.length > 0 && crossed.every((i) => !i.holds))
    words.push(
      `A change at the base helps everybody: ${base.level} brought about as much whatever was used out there.`,
    )
  words.push(...matrix.together.map(togetherWords))
  for (const c of matrix.confounded)
    words.push(
      `What the ${andList(c.names)} ${END[c.end]} brings cannot be told: it follows from the other settings. Swap it across the others.`,
    )
  return words
}

/** What cannot be told apart because it always changed together. */
export function togetherWords(t: Matrix['together'][number]): string {
  return `${capital(andList(t.names))} ${END[t.end]} always changed together; nothing can be credited to one of them.`
}

/** Antenna or radio, where units were named: what swapping told, or that nothing was swapped. */
export function unitWords(matrix: Matrix | null): string | null {
  const unit = (n: FactorName) => n === 'antenna unit' || n === 'radio unit'
  const own = matrix?.mains.filter((m) => m.names.some(unit)) ?? []
  if (own.length === 0) return null
  const holding = own.filter((m) => m.holds)
  return holding.length > 0
    ? `The units differ: ${andList(holding.map((m) => unitsApart(m, matrix!.unit)))}. That much belongs to the unit and not to its kind.`
    : 'No unit differs surely from another of its kind.'
}

function unitsApart({ level, against, effect }: Matrix['mains'][number], unit: DifferenceUnit): string {
  return unit === 'none'
    ? `${level} is ${effect.estimate > 0 ? 'better' : 'worse'} than ${against}`
    : `${level} against ${against}${sized(unit, signed(effect.estimate))}`
}

const IN: Record<ByWhat, (g: string) => string> = {
  direction: (g) => g,
  leg: (g) => `on ${g}`,
  distance: (g) => (g === 'near' ? 'near' : g === 'far' ? 'far out' : 'in the middle'),
  'kind of ground': (g) =>
    g === 'clear'
      ? 'where the way is clear'
      : g === 'grazing'
        ? 'where it grazes the ground'
        : 'in the shadow of the ground',
  'kind of place': (g) => `at places “${g}”`,
  'time of day': (g) => `from ${g}`,
  ...(Object.fromEntries(
    CONDITIONS.map(({ factor }) => [factor, (g: string) => `while it was “${g}”`]),
  ) as Record<ConditionFactor, (g: string) => string>),
}

/** Whether a pair's difference depends on something; a flip only where both sides of it are sure. */
export function byWords(what: ByWhat, pair: DifferenceBy, name: Name): string {
  const where = IN[what]
  const [a, b] = [name(pair.a), name(pair.b)]
  const size = (v: number) => sized(pair.unit, signed(v))
  const within = (v: number) => (pair.unit === 'none' ? '' : ` (${size(v).trim()})`)
  const tested = andList(pair.within.map((w) => where(w.group)))
  if (pair.flips) {
    const best = [...pair.within].sort((x, y) => y.effect.estimate - x.effect.estimate)
    const [first, last] = [best[0]!, best[best.length - 1]!]
    return `It flips by ${what}: ${a} is ahead ${where(first.group)}${within(first.effect.estimate)}, ${b} ${where(last.group)}${within(-last.effect.estimate)}.`
  }
  if (pair.change) {
    const of = (g: string) => pair.within.find((w) => w.group === g)!
    const [from, to] = [of(pair.change.from), of(pair.change.to)]
    if (pair.unit === 'none') {
      const more = from.effect.estimate > to.effect.estimate ? from : to
      return `${a} against ${b} changes with the ${what}: ${a} does better ${where(more.group)}.`
    }
    return `${a} less ${b} changes with the ${what}:${size(from.effect.estimate)} ${where(from.group)},${size(to.effect.estimate)} ${where(to.group)}.`
  }
  return `${a} less ${b}: no change with the ${what} is sure, tested ${tested}.`
}

/** Levels that moved while the run went on, listener by listener. */
export function driftWords(drift: readonly Drift[]): string[] {
  if (drift.length === 0)
    return ['Drift: the log has no times, or hardly half an hour between the first and the last.']
  return drift.map(({ direction, slope, unit, hours, surely }) => {
    const size =
      unit === 'none' ? '' : `${sized(unit, signed(slope.estimate))} an hour (${interval(slope.interval90)})`
    const over = `over ${plain(hours)} hours`
    return surely
      ? `Levels ${direction} drifted${size} ${over}: battery, weather or band. The differences are told with it taken out.`
      : `No drift ${direction} is sure${size && `:${size}`} ${over}.`
  })
}

export function erraticWords(u: Erratic, name: Name): string {
  return `${name(u.linkId)} jumps: its readings lie ${plain(u.own)} dB off on average where the others lie ${plain(u.others)} dB off. Look at its plug, its unit, its battery.`
}

/** What a run's day did to all levels. */
export function offsetWords(offset: RunOffset, run: Name, first: string): string {
  const { effect, unit, marks } = offset
  const { low, high } = effect.interval95
  const sure = low > 0 || high < 0
  const stronger = effect.estimate > 0 ? 'stronger' : 'weaker'
  if (unit === 'none')
    return `${run(offset.runId)} ${sure ? `ran ${stronger} than` : 'is not surely other than'} ${first}, with ${marks} ${marks === 1 ? 'mark' : 'marks'} in both.`
  const size = `${signed(effect.estimate)} ${unitText(unit)} (${interval(effect.interval90)})`
  return `${run(offset.runId)} ${sure ? 'ran' : 'is not surely other:'} ${size} against ${first}, with ${marks} ${marks === 1 ? 'mark' : 'marks'} in both.`
}

export function apartWords({ a, b, there, elsewhere, unit }: RunApart, run: Name, name: Name): string {
  if (unit === 'none')
    return `${run(there.runId)} does not fit: there ${name(a)} against ${name(b)} came out otherwise than in ${run(elsewhere.runId)}. Something else was different that day.`
  return `${run(there.runId)} does not fit: there ${name(a)} less ${name(b)} came out ${signed(there.estimate)} ${unitText(unit)}, in ${run(elsewhere.runId)} ${signed(elsewhere.estimate)}. Something else was different that day.`
}

/** Reported against predicted, in sentences. */
export function predictionWords(found: AgainstPrediction, mark: Name): string[] {
  const { slope, copies } = found
  const words = found.offsets.map((o) => {
    const side = o.high < 0 ? 'under' : o.low > 0 ? 'over' : null
    const size = `${plain(Math.abs(o.db))} dB`
    const meter = found.absolute === 'nominal S9' ? ', if the meter’s S9 is where it should be' : ''
    return side
      ? `${capital(o.direction)}, reports ran ${size} ${side} the prediction (${signed(o.low)} to ${signed(o.high)})${meter}.`
      : `${capital(o.direction)}, reports lie where they were predicted (${signed(o.low)} to ${signed(o.high)} dB)${meter}.`
  })
  words.push(
    slope.low > 1 || slope.high < 1
      ? `Where the prediction changes by 10 dB, reports change by ${plain(10 * slope.estimate)} (${plain(10 * slope.low)} to ${plain(10 * slope.high)}): this ground is ${slope.low > 1 ? 'harder' : 'kinder'} than it takes it for.`
      : `Strong and weak places are told right: 10 dB predicted was ${plain(10 * slope.estimate)} dB reported (${plain(10 * slope.low)} to ${plain(10 * slope.high)}).`,
  )
  if (copies.checks > 0)
    words.push(
      `Of ${copies.checks} checks, ${Math.round(copies.expected)} were expected to be copied and ${copies.seen} were.`,
    )
  if (found.marksOff.length > 0)
    words.push(
      `Far off: ${andList(found.marksOff.slice(0, 4).map((m) => `${mark(m.markId)} ${signed(m.db)} dB`))}.`,
    )
  return words
}

export function otherStationsWords(s: OtherStations, name: Name): string {
  const [a, b] = [name(s.a), name(s.b)]
  const count = `${s.wins} of the other stations gave ${a} more, ${s.draws} the same, ${s.losses} gave ${b} more, ${s.direction}`
  if (!s.found) return `${count}. Fewer than four stations reported both, so no size is told.`
  const { effect, unit, stations } = s.found
  const sure = effect.interval95.low > 0 || effect.interval95.high < 0
  if (unit === 'none')
    return `${count}. ${sure ? `That is surely more for ${effect.estimate > 0 ? a : b}` : 'Cannot tell'} (${stations} stations).`
  const step = unit === 'dB' ? 'each meter’s step unknown, ' : ''
  return `${count}. ${sure ? `That is ${signed(effect.estimate)} ${unitText(unit)} for ${a}` : 'Cannot tell'} (${interval(effect.interval90)} ${unitText(unit)}, ${step}${stations} stations).`
}

export function legReachWords(leg: LegReach, name: Name, units: Units): string {
  return `${name(leg.linkId)} on ${leg.legName}: ${reachText(leg.reach, units)}${leg.limitedBy && leg.reach.seen === 'some copied' ? `; ${leg.limitedBy} is the weaker way` : ''}`
}

/** A difference by words copied. */
export function otherScaleWords(breakdown: Pick<Breakdown, 'counted'>, name: Name): string[] {
  const sure = (p: number) => p > 0.975 || p < 0.025
  return [
    ...breakdown.counted.map(({ a, b, found }) => {
      const hundred = (v: number) => Math.round(100 * v)
      const whole = (v: number) => signed(100 * v).replace(/\.\d/, '')
      const size = `${hundred(found.shareA)} of 100 against ${hundred(found.shareB)}, ${whole(found.difference)} (${intervalText(found.interval90.low, found.interval90.high, whole)})`
      return `${sure(found.chanceAIsBetter) ? `${name(found.difference > 0 ? a : b)} gets more words through` : 'Cannot tell by words copied'}: ${name(a)} and ${name(b)} ${size}, halfway through what was tested.`
    }),
  ]
}
