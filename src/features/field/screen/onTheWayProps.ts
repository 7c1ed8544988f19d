import type { RunLog, TrialPlan } from '@/core/trial'
import type { Units } from '@/core/units'
import type { FieldActions } from '../actions/useFieldActions'
import type { Position, PositionSource } from '../position/positionSource'

/** What a walk to the edge, a drive by ear and a stop to be made work with. */
export interface OnTheWayProps {
  plan: TrialPlan
  log: RunLog
  actions: FieldActions
  position: Position | null
  source: PositionSource | null
  units: Units
  ready: boolean
  onSource: (source: PositionSource) => void
  onMore: () => void
}
