import type { CheckKey, ScheduledCheck } from '@/core/trial'
import type { Units } from '@/core/units'
import type { Position, PositionSource } from '../position/positionSource'
import type { Expected } from '../hints/useExpected'
import type { RunPack } from '../log/runPack'
import type { FieldSettings } from '../device/settings'
import type { FieldActions } from '../actions/useFieldActions'
import type { RunLogHandle } from '../log/useRunLog'
import type { Clips } from '../media/useClips'
import type { Sound } from '../media/useSound'

/** What every part of the menu works with. */
export interface MenuProps {
  pack: RunPack
  handle: RunLogHandle
  actions: FieldActions
  expected: Expected
  now: ScheduledCheck | null
  position: Position | null
  source: PositionSource | null
  onSource: (source: PositionSource | null) => void
  settings: FieldSettings
  units: Units
  sound: Sound
  clips: Clips
  onChosen: (key: CheckKey | null) => void
  /** Opens another sheet in the menu's place. */
  onSheet: (sheet: 'grid' | 'clip') => void
  onClose: () => void
}
