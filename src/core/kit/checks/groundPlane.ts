import { AT_BODY } from '../parts/part'
import type { KitCheck } from './problem'

/** An antenna that needs metal or a counterpoise under it and gets none. */
export const checkGroundPlane: KitCheck = ({ rig, port }) => {
  const need = port.antenna?.spec.needs ?? 'nothing'
  if (need === 'nothing') return []
  const radials = rig.along.some((p) => p.kind === 'radials')
  const onRadio = rig.radio?.spec.use === 'handheld' && !port.items.some((p) => p.part.kind === 'lead')
  if (port.mount?.spec.metal || radials) return []
  // A handheld's own case is a poor counterpoise, but it is what its antenna was made for.
  if (
    need === 'counterpoise' &&
    (onRadio || (port.mount !== null && AT_BODY.includes(port.mount.spec.place)))
  )
    return []
  return [
    {
      code: 'no-ground-plane',
      weight: 'costs',
      where: port.antenna!.name,
      message: `${port.antenna!.name} needs a ${need} and has none: the current takes the lead or the hand instead, and match and pattern move with them.`,
      wayOut: 'Take a mount on metal, add radials, or take an antenna that needs none.',
      fix: null,
    },
  ]
}
