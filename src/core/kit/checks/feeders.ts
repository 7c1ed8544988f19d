import { heightText } from '@/core/units'
import type { KitCheck } from './problem'

/** A feeder of power over a data cable whose far end gets too little. */
export const checkFeeders: KitCheck = ({ rig, portIndex, units }) => {
  if (portIndex !== 0) return []
  return rig.along.flatMap((part) => {
    if (part.kind !== 'power feeder') return []
    const { supplyV, cableM, ohmPerM, drawA, leastV } = part.spec
    const farV = supplyV - cableM * ohmPerM * drawA
    if (farV >= leastV) return []
    return [
      {
        code: 'feeder-drop',
        weight: 'stops' as const,
        where: part.name,
        message: `Of ${supplyV} V, ${farV.toFixed(1)} V are left behind ${heightText(cableM, units)} of cable at ${drawA} A; the device needs ${leastV} V.`,
        wayOut: 'Take a shorter or a thicker cable, or feed it with a higher voltage.',
        fix: null,
      },
    ]
  })
}
