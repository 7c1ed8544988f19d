import { EMPTY_ASSEMBLY } from '@/core/kit'
import { toLength, type Units } from '@/core/units'
import type { KitRig } from '@/data/rigs'
import type { RigDraft } from './useRigDraft'

const shown = (value: number | null | undefined) =>
  value === null || value === undefined ? '' : String(value)
const length = (metres: number | null | undefined, units: Units) =>
  metres === null || metres === undefined ? '' : String(Number(toLength(metres, units).toFixed(2)))

/** The builder's beginning: a rig as it is stored, or a new one. */
export function draftOf(rig: KitRig | null, freeLetter: string, units: Units): RigDraft {
  const assembly = rig?.assembly ?? EMPTY_ASSEMBLY
  return {
    assembly,
    facts: {
      letter: rig?.letter ?? freeLetter,
      name: rig?.name ?? '',
      kind: rig?.kind ?? 'handheld',
      txMHz: shown(rig?.txMHz),
      rxMHz: shown(rig?.rxMHz),
      bandwidthKHz: shown(rig?.bandwidthKHz),
      mode: rig?.mode ?? 'FM',
      powerW: shown(rig?.powerW),
      antennaHeight: length(rig?.antennaHeightM ?? 1.4, units),
      wayIn: length(assembly.wayInM, units),
      spacing: length(assembly.spacingM, units),
      azimuthDeg: shown(assembly.pose.azimuthDeg),
      tiltDeg: shown(assembly.pose.tiltDeg),
      note: rig?.note ?? '',
    },
  }
}
