import type { Direction, Link, Listener } from '@/core/kit/rig'
import type { CopyRule } from '@/core/reports/copyRule'
import type { Scale } from '@/core/reports/scale'

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
  /** Along the way, m, where known. */
  alongM: number | null
  bearingDeg: number | null
  lat: number | null
  lon: number | null
}

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
  order: { scheme: 'balanced' | 'as listed'; seed: number }
  /** What is held the same for all links. */
  sameAs: string[]
  /** The difference that would matter to the user, dB. */
  marginDb: number
  /** Stated reliability for the reach, 0 to 1. */
  reliability: number
  surroundings: 'clear' | 'cluttered' | 'mixed'
  /** The link repeated in every run. */
  controlLinkId: string | null
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

export const keyText = (k: CheckKey) => `${k.markId}|${k.linkId}|${k.direction}|${k.repeat}`
