import { filled } from '@/core/stats/numeric/filled'
import { quickNormalCdf } from '@/core/stats/numeric/quickNormalCdf'
import type { ModelFit } from './fit'
import { callParts, type Part } from './callParts'
import type { ModelPriors, Spreads } from './priors'
import type { ModelListener } from './reports'
import { shareChance } from './shares'

/** What counts as a copy at a listener. */
export interface ModelRule {
  /** The step of the list that is wanted at least; 1 where hearing is enough. */
  step: number
  /** The level wanted besides, dB; null where none is. */
  levelDb: number | null
  /** The share of words wanted, of how many; null where none is. */
  share: { of: number; least: number } | null
  /** Calls that a copy may take. */
  calls: number
}

/** Places of one margin to the next, in spreads of place, and how many to either side. */
const APART = 0.2
const SIDE = 20
/** Margins looked at reach this far beyond four spreads of place, dB. */
const FAR_DB = 46

/** Weights of N(0, 1) at -4 (0.2) 4. */
const PLACES = (() => {
  const raw = filled(2 * SIDE + 1, (i) => Math.exp(-0.5 * ((i - SIDE) * APART) ** 2))
  const sum = raw.reduce((s, v) => s + v, 0)
  return raw.map((v) => v / sum)
})()

/** Every second of them, which is enough of so smooth a curve. */
const FEWER = (() => {
  const raw = PLACES.filter((_, i) => i % 2 === 0)
  const sum = raw.reduce((s, v) => s + v, 0)
  return raw.map((v) => v / sum)
})()

const logit = (p: number) => Math.log(p / (1 - p))

/**
 * The chance of a copy against the margin, level over the rule's cut in dB: at one place, and over places like
 * this, the ground and what a link has of its own drawn anew. A call missed whatever the level is left out: that is
 * the operator's, not the link's.
 */
export class CopyCurve {
  /** From one margin of the tables to the next, dB: a fifth of the spread of place. */
  private readonly step: number
  private readonly half: number
  private readonly still: Float64Array
  private readonly over: Float64Array

  /** @param atPlace the chance at one place @param placeDb spread of place, dB, above nought */
  constructor(
    atPlace: (marginDb: number) => number,
    readonly placeDb: number,
  ) {
    this.step = APART * placeDb
    this.half = Math.ceil(FAR_DB / this.step) + 2 * SIDE
    this.still = filled(2 * this.half + 1, (i) => atPlace((i - this.half) * this.step))
    this.over = filled(2 * (this.half - SIDE) + 1, (i) => {
      let sum = 0
      for (let j = 0; j < FEWER.length; j++) sum += FEWER[j]! * this.still[i + 2 * j]!
      return sum
    })
  }

  /** The chance over places whose margins are spread about this one. */
  overPlaces(marginDb: number): number {
    return read(this.over, marginDb / this.step + this.half - SIDE)
  }

  /** The margin at which the chance over places is p. @param p above 0 and below 1 */
  marginFor(p: number): number {
    const { over } = this
    let [low, high] = [0, over.length - 1]
    while (high - low > 1) {
      const middle = (low + high) >> 1
      if (over[middle]! < p) low = middle
      else high = middle
    }
    // Between two margins the chance is nearly straight on this scale.
    const [a, b] = [logit(over[low]!), logit(over[high]!)]
    const t = (logit(p) - a) / (b - a)
    return (low + Math.max(0, Math.min(1, t)) - this.half + SIDE) * this.step
  }

  /**
   * The chance of a copy by this curve and by another at the same places, whose ground is one; both have the same
   * spread of place.
   */
  together(marginDb: number, other: CopyCurve, otherMarginDb: number): number {
    const a = this.still
    const b = other.still
    const last = a.length - PLACES.length - 1
    const x = Math.max(0, Math.min(last, marginDb / this.step + this.half - SIDE))
    const y = Math.max(0, Math.min(last, otherMarginDb / this.step + this.half - SIDE))
    const i = Math.floor(x)
    const k = Math.floor(y)
    const t = x - i
    const u = y - k
    let sum = 0
    for (let j = 0, m = i, n = k; j < FEWER.length; j++, m += 2, n += 2) {
      const p = a[m]!
      const q = b[n]!
      sum += FEWER[j]! * (p + t * (a[m + 1]! - p)) * (q + u * (b[n + 1]! - q))
    }
    return sum
  }
}

function read(table: Float64Array, at: number): number {
  const x = Math.max(0, Math.min(table.length - 1.000001, at))
  const i = Math.floor(x)
  return table[i]! + (x - i) * (table[i + 1]! - table[i]!)
}

/** The curves of a rule at a listener, one for each of the fit's points. */
export function copyCurves(fit: ModelFit, listener: number, rule: ModelRule): CopyCurve[] {
  const { priors } = fit.field
  const who = fit.data.input.listeners[listener]!
  const share = who.counts && rule.share ? shareReader(rule.share, priors) : null
  return fit.points.map((point) => {
    const { groundDb, ownDb } = point.spreads
    const cuts = point.cuts[listener]!
    return new CopyCurve(
      chanceAtPlace(point.spreads, cuts, cutAsked(who, rule), rule, share, priors),
      Math.hypot(groundDb, ownDb),
    )
  })
}

/** Which of a listener's cuts a rule asks, from 1: hearing, or half the words, where its list has no such step. */
export function cutAsked({ counts, steps }: ModelListener, rule: ModelRule): number {
  if (counts) return rule.share ? 2 : 1
  return Math.min(rule.step, steps)
}

/** @param asked which of the cuts the rule asks, from 1 @param shareAt the chance of enough words at a steady level */
function chanceAtPlace(
  spreads: Spreads,
  cuts: Float64Array,
  asked: number,
  rule: ModelRule,
  shareAt: ((overDb: number) => number) | null,
  priors: ModelPriors,
): (marginDb: number) => number {
  const cut = cuts[asked - 1]!
  const call = callParts(priors, (times) => times * spreads.callDb)
  const parts = call.map((p) => ({ ...p, soft: Math.hypot(p.width, spreads.cutDb) }))
  const firstOver = cuts[0]! - cut
  const levelOver = rule.levelDb === null ? null : rule.levelDb - cut
  return (z) => {
    let copied = 0
    let silent = 0
    for (const { share, width, soft } of parts) {
      let c = quickNormalCdf(z / soft)
      // Both are wanted of one call; the harder of the two decides but for a hair.
      if (levelOver !== null) c = Math.min(c, quickNormalCdf((z - levelOver) / width))
      copied += share * c
      if (rule.calls > 1) silent += share * quickNormalCdf((firstOver - z) / soft)
    }
    if (shareAt) copied = overCalls(shareAt, call, z)
    let again = 1
    for (let k = 1; k < rule.calls; k++) again = 1 + silent * again
    return Math.min(1, copied * again)
  }
}

/** The chance of at least a share of the words at a steady level, against that level over half the words. */
function shareReader(
  { of, least }: { of: number; least: number },
  priors: ModelPriors,
): (overDb: number) => number {
  const from = Math.ceil(least * of - 1e-9)
  const atLevel = (x: number) => {
    let p = 0
    for (let k = from; k <= of; k++) p += shareChance(k, of, x, priors)
    return p
  }
  const STEP = 0.5
  const SPAN = 80
  const still = filled(2 * SPAN * (1 / STEP) + 1, (i) => atLevel(i * STEP - SPAN))
  return (x) => read(still, (x + SPAN) / STEP)
}

/** A chance averaged over the spread from call to call. */
function overCalls(chanceAt: (x: number) => number, call: readonly Part[], z: number): number {
  let sum = 0
  for (const { share, width } of call)
    for (let j = 0; j < PLACES.length; j++)
      sum += share * PLACES[j]! * chanceAt(z + width * (j - SIDE) * APART)
  return sum
}
