import type { Direction } from '@/core/kit/rig/rig'
import { chanceOf, groundMean, posteriorOf, Reaches, type Posterior } from '@/core/model/answers'
import type { ModelRule } from '@/core/model/margins'
import { MIN_REACH_MARKS, type Reach } from '@/core/reach/reach'
import { isBySky, isCopiedBy, type FindingsInput, type ReadCheck } from '../input'
import type { JointFit } from '../joint/jointFit'
import { ruleAt } from '../joint/modelInput'
import { usableDraws } from './usableDraws'

/** A link's reach in one direction. */
export interface LinkReach {
  linkId: string
  direction: Direction
  checks: number
  copied: number
  reaches: Reach[]
}

/** A link's reach both ways together, or in the one direction there is. */
export interface UsableReach {
  linkId: string
  chance: number
  /** The direction that limits it, where that is as sure as a verdict is; null otherwise, and where only one was asked. */
  limitedBy: Direction | null
  reach: Reach
}

export interface LegReach {
  legId: string
  legName: string
  linkId: string
  limitedBy: Direction | null
  reach: Reach
}

export interface JointReaches {
  reaches: LinkReach[]
  usable: UsableReach[]
  legs: LegReach[]
}

/** An end beyond so many times the farthest mark, or within one such part of the nearest, is no figure. */
const BEYOND = 10
/** A direction is called the weaker way when so much of the posterior says so. */
const SURELY = 0.975
/** A leg of fewer marks has no reach of its own. */
const MIN_LEG_MARKS = 5

interface Tried {
  checks: number
  copied: number
  marks: number
  nearestM: number
  farthestM: number
}

/**
 * How far each link reaches, in each direction and both ways together, over all legs and on each, at every
 * chance asked: all from the same draws.
 * @param joint null where the model has nothing to go by @param read as {@link reachesUnder} gave it
 */
export function jointReaches(
  input: FindingsInput,
  checks: readonly ReadCheck[],
  joint: JointFit | null,
  read: Reaches | null,
  chances: readonly number[],
): JointReaches {
  const tried = triedBy(input, checks)
  const reachOf = (link: string, scope: Direction | null, chance: number, draws: Float64Array | null) =>
    told(tried(link, scope), chance, joint && draws ? posteriorOf(joint.fit, draws) : null, input.marks)
  const reaches = input.links.flatMap((link, l) =>
    input.directions.map((direction, d): LinkReach => {
      const { checks: made, copied } = tried(link.id, direction)
      return {
        linkId: link.id,
        direction,
        checks: made,
        copied,
        reaches: chances.map((p) => reachOf(link.id, direction, p, read && read.oneWay(l, d, p))),
      }
    }),
  )
  const both = input.links.map((_, l) => chances.map((p) => usableOf(input, joint, read, l, p)))
  const usable = input.links.flatMap((link, l) =>
    chances.map((chance, i): UsableReach => {
      const { draws, limitedBy } = both[l]![i]!
      return { linkId: link.id, chance, limitedBy, reach: reachOf(link.id, null, chance, draws) }
    }),
  )
  return {
    reaches,
    usable,
    legs: joint && read ? byLeg(input, checks, joint, read, chances, both) : [],
  }
}

/** Whether a distance is a reach: not at one place, and not by way of the sky. */
export const tellsReach = (input: FindingsInput, { input: { onePlace } }: JointFit) =>
  !onePlace && !isBySky(input)

/** Reaches of a log under its copy rule; null where none is told ({@link tellsReach}). */
export function reachesUnder(input: FindingsInput, found: JointFit): Reaches | null {
  if (!tellsReach(input, found)) return null
  const { input: joint, fit } = found
  const words = Math.max(0, ...joint.model.reports.map((r) => (r.call.kind === 'share' ? r.call.n : 0)))
  const rules = joint.readers.map((r): ModelRule => ruleAt(input.copyRule, r, words || null))
  return new Reaches(fit, rules)
}

/** The usable reach of one link at the chance that is wanted. */
export function usableReach(
  input: FindingsInput,
  checks: readonly ReadCheck[],
  joint: JointFit,
  read: Reaches | null,
  link: number,
): Reach {
  const { draws } = usableOf(input, joint, read, link, input.reliability)
  const tried = triedBy(input, checks)(input.links[link]!.id, null)
  return told(tried, input.reliability, draws && posteriorOf(joint.fit, draws), input.marks)
}

function usableOf(
  input: FindingsInput,
  joint: JointFit | null,
  read: Reaches | null,
  link: number,
  p: number,
): { draws: Float64Array | null; limitedBy: Direction | null } {
  if (!joint || !read) return { draws: null, limitedBy: null }
  const draws = usableDraws(input, read, link, p)
  if (input.directions.length !== 2) return { draws, limitedBy: null }
  const [first, second] = [read.oneWay(link, 0, p), read.oneWay(link, 1, p)]
  const shorter = chanceOf(joint.fit, (i) => first[i]! < second[i]!)
  return {
    draws,
    limitedBy: shorter >= SURELY ? input.directions[0]! : shorter <= 1 - SURELY ? input.directions[1]! : null,
  }
}

/** What was tried of a link, in a direction or in all; a copy both ways is one in each. */
function triedBy(input: FindingsInput, checks: readonly ReadCheck[], legId: string | null = null) {
  const marks = new Map(input.marks.map((m) => [m.id, m]))
  const found = new Map<string, Tried & { ids: Set<string> }>()
  for (const c of checks) {
    const copied = isCopiedBy(input, c)
    const mark = marks.get(c.markId)
    if (copied === null || !mark || (legId !== null && mark.legId !== legId)) continue
    for (const key of [`${c.linkId} ${c.direction}`, c.linkId]) {
      const t = found.get(key) ?? {
        checks: 0,
        copied: 0,
        marks: 0,
        nearestM: Infinity,
        farthestM: 0,
        ids: new Set<string>(),
      }
      found.set(key, t)
      t.checks++
      if (copied) t.copied++
      t.ids.add(c.markId)
      t.marks = t.ids.size
      t.nearestM = Math.min(t.nearestM, mark.distanceM)
      t.farthestM = Math.max(t.farthestM, mark.distanceM)
    }
  }
  return (linkId: string, direction: Direction | null): Tried =>
    found.get(direction ? `${linkId} ${direction}` : linkId) ?? {
      checks: 0,
      copied: 0,
      marks: 0,
      nearestM: 0,
      farthestM: 0,
    }
}

/** A reach as it may be told: open where its ends are no figures. */
function told(
  { checks, copied, marks, nearestM, farthestM }: Tried,
  chance: number,
  lg: Posterior | null,
  all: FindingsInput['marks'],
): Reach {
  const base = { chance, nearestM, farthestM, marks, extrapolated: false }
  if (!lg || marks < MIN_REACH_MARKS)
    return { ...base, seen: 'too few marks', estimateM: null, lowM: null, highM: null }
  const seen = copied === checks ? 'all copied' : copied === 0 ? 'none copied' : 'some copied'
  const [near, far] = [
    Math.min(...all.map((m) => m.distanceM)) / BEYOND,
    Math.max(...all.map((m) => m.distanceM)) * BEYOND,
  ]
  const [low, middle, high] = [lg.q05, lg.q50, lg.q95].map((v) => 10 ** v) as [number, number, number]
  const within = (m: number) => m >= near && m <= far
  return {
    ...base,
    seen,
    estimateM: within(middle) ? middle : null,
    lowM: low >= near ? Math.min(low, far) : null,
    highM: high <= far ? Math.max(high, near) : null,
    extrapolated: middle > farthestM || middle < nearestM,
  }
}

/**
 * Reach on each leg: as over all, with the mean of that leg's own ground in it, so that what holds over all
 * holds on every leg.
 */
function byLeg(
  input: FindingsInput,
  checks: readonly ReadCheck[],
  { input: joint, fit }: JointFit,
  { fall }: Reaches,
  chances: readonly number[],
  usable: readonly { draws: Float64Array | null; limitedBy: Direction | null }[][],
): LegReach[] {
  const legs = [...new Map(input.marks.map((m) => [m.legId, m.legName]))]
  if (legs.length < 2) return []
  const i = chances.indexOf(input.reliability)
  return legs.flatMap(([legId, legName]) => {
    const places = fit.data.marks.flatMap((m, at) => (joint.model.marks[m]!.legId === legId ? [at] : []))
    if (places.length < MIN_LEG_MARKS) return []
    const ground = groundMean(fit, places)
    const tried = triedBy(input, checks, legId)
    return input.links.flatMap((link, l): LegReach[] => {
      const { draws, limitedBy } = usable[l]![i]!
      const t = tried(link.id, null)
      if (!draws || t.marks < MIN_LEG_MARKS) return []
      const here = draws.map((v, k) => fall.where(k, fall.to(k, v) + ground[k]!))
      const reach = told(t, input.reliability, posteriorOf(fit, here), input.marks)
      return [{ legId, legName, linkId: link.id, limitedBy, reach }]
    })
  })
}
