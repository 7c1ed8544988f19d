import type { Direction, Link } from '@/core/kit/rig/rig'
import type { TakenGains } from '@/core/kit/rig/taken'
import { normalQuantile } from '@/core/stats/numeric/normalQuantile'
import { sortedQuantile } from '@/core/stats/numeric/sortedQuantile'
import type { Correction } from '../correction/correction'
import { linkKey } from '../linkKey'
import { oneWays, type OneWay } from './oneWays'
import { linkDraws, ownDraws, USUAL_DRAWS, worldDraws, type SeenPlace } from './worldDraws'

/** A place to be covered, with the margins that are predicted for it. */
export interface AskedPlace extends SeenPlace {
  /** By link and direction, by the prediction alone, dB; NaN where the ground is not known. */
  predictedDb: Record<string, number>
}

/** How {@link AskedPlace.predictedDb} names a link and direction. */
export const wayKey = (link: Link, direction: OneWay) => `${linkKey(link)} ${direction}`

/** Margins over what is needed, drawn jointly, dB. */
export interface MarginDraws {
  draws: number
  /** Of draw k, link l, way w and place p at ((k · links + l) · ways + w) · places + p; NaN where nobody knows. */
  margins: Float32Array
  ways: OneWay[]
  /** The spread of calls that they were drawn with, dB. */
  callDb: number
}

export interface MarginAsk {
  places: readonly AskedPlace[]
  links: readonly Link[]
  directions: readonly Direction[]
  correction: Correction | null | undefined
  gains?: TakenGains
}

/** For each draw and link which places are covered. */
export interface CoverDraws {
  draws: number
  places: number
  /** 1 where link l covers place p in draw k, at (k · links + l) · places + p. */
  covered: Uint8Array
}

export interface CoverAsk extends MarginAsk {
  /** Of calls from a covered place so many come through, 0 to 1. */
  reliability: number
}

/** Where margins are asked for, without what is predicted for them. */
export type OffAsk = Omit<MarginAsk, 'places'> & {
  places: readonly SeenPlace[]
}

/**
 * What predictions of links at places are off by, drawn jointly from what the log taught of the whole and of every
 * place: neighbours share their shadowing, links and places what the prediction is off by. Before any check from what
 * may be off. It does not depend on what is predicted, so a map that is asked again with another height or power keeps
 * it.
 */
export function offDraws(ask: OffAsk, draws = USUAL_DRAWS): MarginDraws {
  const { places, links } = ask
  const ways = oneWays(ask.directions)
  const world = worldDraws(ask, draws)
  const n = places.length
  const of = links.map((link) => ({
    off: linkDraws(world, link, ways),
    own: ownDraws(world, places, link),
  }))
  const margins = new Float32Array(draws * links.length * ways.length * n)
  let at = 0
  for (let k = 0; k < draws; k++)
    for (const { off, own } of of)
      for (let w = 0; w < ways.length; w++)
        for (let p = 0; p < n; p++)
          margins[at++] = world.shadow[k * n + p]! + own[k * n + p]! + off(k, w, places[p]!.distanceM)
  return { draws, margins, ways, callDb: world.c.callDb }
}

/** Margins at places: what is predicted there, and what that may be off by. */
export function marginsOver(
  off: MarginDraws,
  places: readonly AskedPlace[],
  links: readonly Link[],
): MarginDraws {
  const predicted = links.flatMap((l) =>
    off.ways.map((d) => places.map((p) => p.predictedDb[wayKey(l, d)] ?? NaN)),
  )
  const margins = new Float32Array(off.margins.length)
  let at = 0
  for (let k = 0; k < off.draws; k++)
    for (const row of predicted) for (const v of row) margins[at] = v + off.margins[at++]!
  return { ...off, margins }
}

/** The margin of the worse of all ways that are asked, dB, of a link and place in a draw; NaN where nobody knows. */
export const worseWay =
  ({ margins, ways }: MarginDraws, links: number, places: number) =>
  (draw: number, link: number, place: number): number => {
    let least = Infinity
    for (let w = 0; w < ways.length; w++)
      least = Math.min(least, margins[((draw * links + link) * ways.length + w) * places + place]!)
    return least
  }

/**
 * Which places links cover, in each of joint draws: all the ways that are asked for must come through.
 * @param off as drawn before for the same places, links and directions
 */
export function coverDraws(ask: CoverAsk, off = offDraws(ask)): CoverDraws {
  const drawn = marginsOver(off, ask.places, ask.links)
  const { draws, callDb } = drawn
  const [links, places] = [ask.links.length, ask.places.length]
  const needDb = callDb * normalQuantile(ask.reliability)
  const worse = worseWay(drawn, links, places)
  const covered = new Uint8Array(draws * links * places)
  let at = 0
  for (let k = 0; k < draws; k++)
    for (let l = 0; l < links; l++)
      for (let p = 0; p < places; p++) covered[at++] = worse(k, l, p) >= needDb ? 1 : 0
  return { draws, places, covered }
}

/** A share and where it lies nine times in ten. */
export interface Share {
  median: number
  low: number
  high: number
}

const [LOW, HIGH] = [0.05, 0.95]

/**
 * The shares of places for which something holds, one for each draw, ascending.
 * @param holds given what each link covers of a place
 * @param only places by their index; all where left out
 */
export function drawnShares(
  { draws, places, covered }: CoverDraws,
  links: number,
  holds: (by: (link: number) => boolean) => boolean,
  only: readonly number[] = Array.from({ length: places }, (_, i) => i),
): number[] {
  return Array.from({ length: draws }, (_, k) => {
    let n = 0
    for (const p of only) if (holds((l) => covered[(k * links + l) * places + p] === 1)) n++
    return only.length > 0 ? n / only.length : 0
  }).sort((a, b) => a - b)
}

/** Of shares that were drawn, ascending, the middle, and where nine in ten of them lie. */
export function shareOf(drawn: readonly number[]): Share {
  const at = (q: number) => sortedQuantile(drawn, q)
  return { median: at(0.5), low: at(LOW), high: at(HIGH) }
}

/** How often each place is covered by a link, over the draws, 0 to 1. */
export function coverChance({ draws, places, covered }: CoverDraws, links: number, link: number): number[] {
  return Array.from({ length: places }, (_, p) => {
    let n = 0
    for (let k = 0; k < draws; k++) n += covered[(k * links + link) * places + p]!
    return n / draws
  })
}
