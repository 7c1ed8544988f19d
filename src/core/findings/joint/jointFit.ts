import { listenerOf, type Direction } from '@/core/kit/rig/rig'
import {
  chanceOf,
  differenceDraws,
  meanOf,
  posteriorOf,
  slopeDraws,
  type Posterior,
} from '@/core/model/answers'
import { fitModel, type FitSettings, type ModelFit } from '@/core/model/fit'
import { isBySky, type FindingsInput, type ReadCheck } from '../input'
import { alwaysValidOf, alwaysValidP } from '@/core/stats/alwaysValid'
import type { Interval } from '@/core/stats/interval'
import { takenOutDb } from './evenedDraws'
import { withStep } from './step'
import { jointInput, type JointInput } from './modelInput'

/** A log under the one model: what every figure of it is read from. */
export interface JointFit {
  input: JointInput
  fit: ModelFit
}

/** Whether a listener's reports tell levels in any way; comparisons and rates do not. */
const tells = (input: FindingsInput, d: Direction) => {
  const { kind } = input.scales[listenerOf(d)]
  return kind !== 'comparative' && kind !== 'rate'
}

/** Fits the model to a log. @returns null where it holds nothing that the model knows */
export function fitJoint(
  input: FindingsInput,
  checks: readonly ReadCheck[],
  settings: Partial<FitSettings> = {},
): JointFit | null {
  const joint = jointInput(input, checks)
  if (joint.model.reports.length === 0) return null
  const fit = fitModel(joint.model, settings)
  const stepped = joint.onePlace || isBySky(input) ? null : withStep(fit)
  return stepped
    ? { input: { ...joint, model: stepped }, fit: fitModel(stepped, { ...settings, near: fit }) }
    : { input: joint, fit }
}

/**
 * What differences are told in: dB, or steps of the listener's list where nothing was read in dB. Where all that is
 * said is heard or not, or how many words, there is no list either, and a difference has an order but no size.
 */
export type DifferenceUnit = 'dB' | 'steps' | 'none'

/** A difference between two links by the model. */
export interface JointDifference {
  unit: DifferenceUnit
  difference: Posterior
  /** What is known of the two left in. */
  raw: Posterior
  /** lg of so many times as far as the other one is heard, where the difference has no size of its own. */
  lgTimes: Posterior | null
  /** 90 % interval of the difference that allows for stopping when it seemed clear; null where it has no size. */
  alwaysValid: Interval | null
  /** The chance of so much against nought however often one looks, were there none. */
  alwaysValidP: number
  /** The chance that a reaches farther than b with the powers that were used. */
  aFarther: number
  /** Spread of the difference at a mark, dB. */
  spreadDb: number
  /** Ids of marks, or names of rounds at one place, where both were tried and either was heard; and where neither was. */
  used: string[]
  silent: string[]
}

/** Fewer strengths closed at both ends than this are no scale in dB. */
const MIN_CLOSED = 4

/** What the model says of link a against link b. @param directions one of the run's, or all of them together */
export function jointDifference(
  input: FindingsInput,
  whole: JointFit,
  a: string,
  b: string,
  directions: readonly Direction[],
): JointDifference | null {
  const { input: joint, fit } = whole
  const [ia, ib] = [a, b].map((id) => input.links.findIndex((l) => l.id === id)) as [number, number]
  const listeners = directions.map((d) => input.directions.indexOf(d))
  if (!directions.every((d) => tells(input, d))) return null
  const { unit, size } = unitOf(whole, listeners)
  const scaled = (draws: Float64Array) =>
    posteriorOf(
      fit,
      draws.map((v) => v / size),
    )
  const raw = differenceDraws(fit, ia, ib, listeners, true)
  const takenOut = takenOutDb(input, ia, ib, listeners)
  const evened = raw.map((v) => v - takenOut)
  const prior = differencePrior(whole, ia, ib, listeners, takenOut)
  const spreadDb = Math.sqrt(
    meanOf(fit, ({ point }) => {
      const { ownDb, callDb } = fit.points[point]!.spreads
      return 2 * ownDb ** 2 + (2 * callDb ** 2) / listeners.length
    }),
  )
  const met = marksOf(joint, ia, ib, listeners)
  return {
    unit,
    difference: scaled(evened),
    raw: scaled(raw),
    lgTimes: unit === 'none' && !joint.onePlace ? lgTimesOf(fit, evened) : null,
    alwaysValid: unit === 'none' ? null : scaledInterval(alwaysValidOf(evened, prior), size),
    alwaysValidP: alwaysValidP(evened, prior),
    aFarther: chanceOf(fit, (i) => raw[i]! > 0),
    spreadDb,
    ...met,
  }
}

/** How much farther so many dB carry, by the slope of each draw. */
function lgTimesOf(fit: ModelFit, db: Float64Array): Posterior {
  const slopes = slopeDraws(fit)
  return posteriorOf(
    fit,
    db.map((v, i) => v / (10 * slopes[i]!)),
  )
}

const scaledInterval = ({ low, high }: Interval, size: number): Interval => ({
  low: low === null ? null : low / size,
  high: high === null ? null : high / size,
})

/** What the model takes a difference to be before any report, dB. @param takenOut what is taken out */
function differencePrior(
  { fit }: JointFit,
  a: number,
  b: number,
  listeners: readonly number[],
  takenOut: number,
): { mean: number; sd: number } {
  const { priors, layout } = fit.field
  const { knownDb } = fit.data.input
  const known = listeners.reduce((s, d) => s + knownDb[a]![d]! - knownDb[b]![d]!, 0) / listeners.length
  const atListener = layout.linkAt.length > 0 ? priors.listenerSdDb ** 2 / listeners.length : 0
  return { mean: known - takenOut, sd: Math.sqrt(2 * (priors.linkSdDb ** 2 + atListener)) }
}

/** What a difference at these listeners is told in, and how many dB of the model one of it is. */
export function unitOf(
  { input, fit }: JointFit,
  listeners: readonly number[],
): { unit: DifferenceUnit; size: number } {
  const inDb = listeners.every((d) => input.readers[d]!.inDb) && fit.data.closed >= MIN_CLOSED
  if (inDb) return { unit: 'dB', size: 1 }
  const size = stepOf(fit, listeners)
  return size === null ? { unit: 'none', size: 1 } : { unit: 'steps', size }
}

/** Mean gap between the steps of the listeners' lists, dB on the model's scale; null where none has two. */
function stepOf(fit: ModelFit, listeners: readonly number[]): number | null {
  const { layout, at } = fit.field
  const { listeners: lists } = fit.data.input
  // Where words are counted, what follows the first cut is the level of half of them, and no step.
  const gaps = listeners
    .filter((d) => !lists[d]!.counts)
    .flatMap((d) => Array.from({ length: layout.cuts[d]! - 1 }, (_, k) => at + layout.cut[d]! + k + 1))
  return gaps.length === 0 ? null : meanOf(fit, ({ x }) => gaps.reduce((s, i) => s + x[i]!, 0)) / gaps.length
}

function marksOf({ model, markOf }: JointInput, a: number, b: number, listeners: readonly number[]) {
  const at = new Map<string, { id: string; a: boolean; b: boolean; heard: boolean }>()
  model.reports.forEach((r, i) => {
    if ((r.link !== a && r.link !== b) || !listeners.includes(r.listener)) return
    const id = markOf[i]!
    const key = `${id} ${r.listener}`
    const here = at.get(key) ?? { id, a: false, b: false, heard: false }
    at.set(key, here)
    if (r.link === a) here.a = true
    else here.b = true
    if (r.call.kind !== 'not heard') here.heard = true
  })
  const [used, silent] = [new Set<string>(), new Set<string>()]
  for (const m of at.values()) if (m.a && m.b) (m.heard ? used : silent).add(m.id)
  return { used: [...used], silent: [...silent].filter((m) => !used.has(m)) }
}
