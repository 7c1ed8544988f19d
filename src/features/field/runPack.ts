import type { PlanGround } from '@/core/reach'
import type { Entry, TrialPlan } from '@/core/trial'

/** Raised when entries of a kind appear that an older device or server does not know. */
export const LOG_PROTOCOL = 3

/** All that a device needs to carry a run out with no network. */
export interface RunPack {
  protocol: number
  runId: string
  trialId: string
  runName: string
  startedAt: string
  plan: TrialPlan
  /** Ground along the legs and what to expect there; null where none is known. */
  ground: PlanGround | null
}

/** A run as a file: what a device holds of it, to be read in elsewhere with no server between. */
export interface RunFile {
  format: 'even-reach-run'
  pack: Omit<RunPack, 'ground'>
  entries: Entry[]
  /** Photos and sounds of the run that this device holds; absent in files written before there were any. */
  media?: { id: string; type: string; base64: string }[]
}
