import type { Units } from '@/core/units'
import type { PlanGround } from '@/core/reach'
import type { RunFile } from '@/core/trial'

/** All that a device needs to carry a run out with no network. */
export type RunPack = RunFile['pack'] & {
  /** Ground along the legs and what to expect there; null where none is known. */
  ground: PlanGround | null
  /** The units that screens speak in; absent in what an older server gave. */
  units?: Units
}
