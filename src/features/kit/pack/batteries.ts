import { enduranceOf, hoursText, meanCurrentA, type PackingInput, type Part, type PartOf } from '@/core/kit'
import type { KitRig } from '@/data/rigs'

/** How a handheld spends a trial: it is asked and asks, and else it listens. */
export const TRIAL_DUTY = { transmitShare: 0.08, receiveShare: 0.12 }

/** Batteries for the radios of a trial, by the endurance sum for the planned time. */
export function batteriesFor(
  rigs: readonly KitRig[],
  parts: readonly Part[],
  hours: number,
  temperatureC: number,
): PackingInput['batteries'] {
  const radios = new Map<string, PartOf<'radio'>>()
  for (const rig of rigs) {
    const radio = parts.find((p) => p.id === rig.assembly?.radioId)
    if (radio?.kind === 'radio') radios.set(radio.id, radio)
  }
  return [...radios.values()].flatMap((radio): PackingInput['batteries'][number][] => {
    const { batteryAh, standbyA, receiveA, transmitA, use } = radio.spec
    if (use === 'desk' || use === 'mobile') return []
    const base = { radioId: radio.id, name: radio.name }
    if (batteryAh === null || standbyA === null || receiveA === null || transmitA === null)
      return [
        { ...base, count: null, why: 'its capacity or its currents are not known; enter them with the part' },
      ]
    const drawA = meanCurrentA({ standbyA, receiveA, transmitA }, TRIAL_DUTY)
    const each = enduranceOf({ capacityAh: batteryAh, chemistry: 'lithium ion', temperatureC, drawA })
    return [
      {
        ...base,
        count: Math.ceil(hours / each.hours),
        why: `one lasts ${hoursText(each.hours)} at ${temperatureC} °C`,
      },
    ]
  })
}
