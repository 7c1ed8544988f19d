import type { Direction, Link, Listener } from '@/core/kit/rig'
import type { CopyRule } from '@/core/reports/copyRule'
import type { Scale } from '@/core/reports/scale'
import type { EarState } from './earStates'

/** How a mark's distance was come by; a pegged one is a guess until it is measured. */
export type MarkMeans = 'coordinates' | 'tape' | 'wheel' | 'paces' | 'pegged'

/** Usual standard deviation of a distance by each means, as a share of it. */
export const MEANS_SD: Record<Exclude<MarkMeans, 'coordinates'>, number> = {
  tape: 0.005,
  wheel: 0.01,
  paces: 0.04,
  pegged: 0.25,
}

/** A place to stop, at a set distance from the base. */
export interface Mark {
  id: string
  name: string
  legId: string
  legName: string
  /** Crow-flies, m. */
  distanceM: number
  /** How well the distance is known, standard deviation in m; null where by coordinates. */
  distanceSdM: number | null
  /** Absent in runs begun before it was kept. */
  how?: MarkMeans
  /** Along the way, m, where known. */
  alongM: number | null
  bearingDeg: number | null
  lat: number | null
  lon: number | null
}

/** Balanced over visits, as listed, or the first link again after each of the others. */
export const ORDER_SCHEMES = ['balanced', 'as listed', 'on-off-on'] as const
export type OrderScheme = (typeof ORDER_SCHEMES)[number]

/** A trial's plan as a run carries it out: a frozen copy, so that later edits change no record. */
export interface TrialPlan {
  trialName: string
  /** Where the base stands; null where its place is not known. */
  base: { name: string; lat: number | null; lon: number | null } | null
  question: string
  links: Link[]
  marks: Mark[]
  directions: Direction[]
  scales: Record<Listener, Scale>
  copyRule: CopyRule
  repeats: number
  order: { scheme: OrderScheme; seed: number }
  /** What is held the same for all links. */
  sameAs: string[]
  /** The difference that would matter to the user, dB. */
  marginDb: number
  /** Stated reliability for the reach, 0 to 1. */
  reliability: number
  surroundings: 'clear' | 'cluttered' | 'mixed'
  /** The link repeated in every run. */
  controlLinkId: string | null
  /** What a continuous signal is called by ear; absent in runs begun before trials had lists of their own. */
  earStates?: EarState[]
  /** A reach that is needed, and one not to be exceeded, m. */
  need: { floorM: number | null; ceilingM: number | null }
}

/** What makes one check a different one from another. */
export interface CheckKey {
  linkId: string
  markId: string
  direction: Direction
  /** From 1. */
  repeat: number
}

/** What makes a check the one it is, of anything that holds it. */
export const keyOf = ({ linkId, markId, direction, repeat }: CheckKey): CheckKey => ({
  linkId,
  markId,
  direction,
  repeat,
})

export const keyText = (k: CheckKey) => `${k.markId}|${k.linkId}|${k.direction}|${k.repeat}`
