import type { Post } from '@/core/crew'
import type { Units } from '@/core/units'
import type { ForecastBasis } from '@/core/findings/fieldForecast'
import type { PlanGround } from '@/core/reach'
import type { RunFile } from '@/core/trial'

/** All that a device needs to carry a run out with no network. */
export type RunPack = RunFile['pack'] & {
  /** Ground along the legs and what to expect there; null where none is known. */
  ground: PlanGround | null
  /** What the device corrects the prediction by itself from; absent in what an older server gave. */
  basis?: ForecastBasis | null
  /** The units that screens speak in; absent in what an older server gave. */
  units?: Units
  /** Where in the run the desk has put this device; absent where it chooses itself. */
  post?: Post | null
}
