import { edgeRanking, type EdgeReach } from '@/core/reach/edgeRanking'
import type { Attenuates, Direction } from '@/core/kit/rig/terms'
import { attenuationIn, type RunLog, type TrialPlan } from '@/core/trial'
import { placesOf, type Places } from '../standing/places'
import { earTracks, type EarTrack } from './earTracks'

/** Where a link was lost on one walk or drive: after the one distance and before the other; null is open. */
export interface EdgeInterval {
  linkId: string
  by: 'by ear' | 'walked'
  /** A way by ear, or the direction of a walk to the edge. */
  side: 'out' | 'home' | Direction
  /** The leg it was on; null where that is not known. */
  legId: string | null
  /** Heard this far out, and lost by there, m. */
  heardToM: number | null
  lostByM: number | null
  /** Heard again beyond where it was first lost. */
  again: boolean
  /** What was put into the path, dB. */
  attenuationDb: number
}

/** By ear a change is noted a little late: by this share of the distance at most. */
const NOTED_LATE = 0.1

interface Walk {
  start: Omit<EdgeInterval, 'heardToM' | 'lostByM' | 'again'>
  steps: { distanceM: number; heard: boolean }[]
}

function intervalOf({ start, steps }: Walk): EdgeInterval {
  const lost = steps.filter((s) => !s.heard).map((s) => s.distanceM)
  const lostByM = lost.length > 0 ? Math.min(...lost) : null
  const heard = steps.filter((s) => s.heard).map((s) => s.distanceM)
  const before = lostByM === null ? heard : heard.filter((d) => d <= lostByM)
  return {
    ...start,
    heardToM: before.length > 0 ? Math.max(...before) : null,
    lostByM,
    again: lostByM !== null && heard.some((d) => d > lostByM),
  }
}

/** Walks to the edge: a new one begins with each "last heard" after the link had been lost, or with another attenuator. */
function walkedEdges(log: RunLog): EdgeInterval[] {
  const walks: Walk[] = []
  const newest = new Map<string, Walk>()
  let put: { attenuationDb: number; weakens: Attenuates } = { attenuationDb: 0, weakens: 'both ways' }
  for (const { body } of log.events) {
    if (body.kind === 'change' && body.what === 'attenuator')
      put = { attenuationDb: body.db ?? 0, weakens: body.weakens ?? 'both ways' }
    if (body.kind !== 'edge') continue
    const { linkId, direction: side, legId, distanceM, what } = body
    const attenuationDb = attenuationIn(put, side)
    const key = `${linkId} ${side} ${legId}`
    const old = newest.get(key)
    const over =
      !old ||
      old.start.attenuationDb !== attenuationDb ||
      (what === 'last heard' && old.steps.some((s) => !s.heard))
    const walk = over
      ? { start: { linkId, by: 'walked' as const, side, legId, attenuationDb }, steps: [] }
      : old
    if (over) {
      newest.set(key, walk)
      walks.push(walk)
    }
    walk.steps.push({ distanceM, heard: what !== 'first lost' })
  }
  return walks.map(intervalOf)
}

/** Where a drive by ear lost the link first, or had it again on the way home. */
function earEdge({ linkId, way, legId, spans }: EarTrack): EdgeInterval {
  const ends = spans.flatMap((s) => [s.fromM, s.toM]).filter((m): m is number => m !== null)
  const lost = spans.filter((s) => s.means === 'lost')
  const heard = spans.filter((s) => s.means !== 'lost')
  const lostByM = lost.length > 0 ? Math.min(...lost.map((s) => s.fromM)) : null
  const heardBefore = heard.filter((s) => lostByM === null || s.fromM < lostByM)
  const heardToM =
    lostByM !== null
      ? heardBefore.length > 0
        ? (1 - NOTED_LATE) * lostByM
        : null
      : heard.length > 0
        ? Math.max(...ends)
        : null
  return {
    linkId,
    by: 'by ear',
    side: way,
    legId,
    heardToM,
    lostByM,
    again: lostByM !== null && heard.some((s) => s.fromM > lostByM),
    attenuationDb: 0,
  }
}

/**
 * Where each link was lost, walk by walk: from walks to the edge, and from changes of state by ear. A change without a
 * place says nothing.
 */
export function edgeIntervals(plan: TrialPlan, log: RunLog): EdgeInterval[] {
  return [...earTracks(plan, log).map(earEdge), ...walkedEdges(log)]
}

/** Links by where they were lost, out of the attenuator. */
export interface WalkOrder {
  /** The farthest first. */
  reaches: EdgeReach[]
  /** In the same order. */
  places: Places
  /** How many times as far as the last the first gets, with its 90 % interval. */
  gap: { times: number; low: number; high: number }
}

/** Orders by walks to the edge and by changes by ear, each by itself; null where nothing bounds any link. */
export type WalkOrders = Record<EdgeInterval['by'], WalkOrder | null>

function orderOf(edges: readonly EdgeInterval[], chance: number): WalkOrder | null {
  const ranking = edgeRanking(
    edges.map(({ linkId, side, legId, ...e }) => ({ ...e, link: linkId, way: `${legId} ${side}` })),
    chance,
  )
  if (!ranking) return null
  const { reaches, draws } = ranking
  const gap = draws[0]!.map((v, i) => Math.exp(v - draws.at(-1)![i]!)).sort()
  const at = (p: number) => gap[Math.floor(p * (gap.length - 1))]!
  return { reaches, places: placesOf(draws), gap: { times: at(0.5), low: at(0.05), high: at(0.95) } }
}

/**
 * Puts all walks in order. Takes some tenths of a second.
 * @param chance for the reach to count on, 0 to 1
 */
export function orderWalks(edges: readonly EdgeInterval[], chance: number): WalkOrders {
  const by = (what: EdgeInterval['by']) =>
    orderOf(
      edges.filter((e) => e.by === what),
      chance,
    )
  return { walked: by('walked'), 'by ear': by('by ear') }
}
