import { wavelengthM } from '@/core/rf'
import { shortLengthText } from '@/core/units'
import type { KitCheck } from './problem'

/** Two antennas of one radio: spacing and polarisation. */
export const checkTwoPorts: KitCheck = ({ rig, portIndex, txMHz, units }) => {
  if (portIndex !== 1 || rig.ports.length < 2 || !rig.ports[0]!.antenna || !rig.ports[1]!.antenna) return []
  const half = wavelengthM(txMHz) / 2
  const same = rig.ports[0]!.polarisation === rig.ports[1]!.polarisation
  const spacing = rig.assembly.spacingM
  if (!same || (spacing !== null && spacing >= half)) return []
  return [
    {
      code: 'ports-close',
      weight: spacing === null ? 'ask' : 'costs',
      where: 'Two antennas',
      message:
        spacing === null
          ? 'Both antennas have the same polarisation and their spacing is not known.'
          : `Both antennas have the same polarisation and stand ${shortLengthText(spacing, units)} apart; half a wave is ${shortLengthText(half, units)}. So close they hear nearly the same.`,
      wayOut: `Set them ${shortLengthText(half, units)} apart or more, or turn one by 90 degrees.`,
      fix: null,
    },
  ]
}
