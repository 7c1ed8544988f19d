import { isBuilt } from '../rig/assembly'
import type { KitCheck } from './problem'

/** No antenna, one too many, a radio whose antenna may not be changed, parts that are gone. */
export const checkAntennaThere: KitCheck = ({ rig, port, portIndex }) => {
  if (!isBuilt(rig.assembly)) return []
  const name = rig.radio?.name ?? 'The radio'
  if (!rig.radio)
    return [
      {
        code: 'no-radio',
        weight: 'stops',
        where: 'Radio',
        message: 'The chain has no radio.',
        wayOut: 'Pick one from the parts.',
        fix: null,
      },
    ]
  if (rig.radio.spec.antennaFixed) {
    if (port.items.length === 0) return []
    return [
      {
        code: 'antenna-fixed',
        weight: 'stops',
        where: name,
        message: `The antenna of ${name} is fixed: it may not be taken off, and in many services that is the law as well.`,
        wayOut:
          'Take the chain off and compare what may be changed: where it is carried, the power, the place, another radio.',
        fix: null,
      },
    ]
  }
  if (portIndex > 0 && !rig.radio.spec.secondConnector)
    return [
      {
        code: 'no-second-port',
        weight: 'stops',
        where: name,
        message: `${name} has one antenna port.`,
        wayOut: 'Take the second chain off, or pick a radio with two.',
        fix: null,
      },
    ]
  if (!port.antenna)
    return [
      {
        code: 'no-antenna',
        weight: 'harms',
        where: name,
        message:
          'There is no antenna at the end of the chain. All the power comes back, and the final stage may not live through it.',
        wayOut: 'Put an antenna or a dummy load rated for the power at the end.',
        fix: null,
      },
    ]
  const inside = port.items.slice(0, -1).find((p) => p.part.kind === 'antenna')
  if (inside)
    return [
      {
        code: 'two-antennas',
        weight: 'stops',
        where: inside.part.name,
        message: 'There is a second antenna in the middle of the chain.',
        wayOut: 'Take one off.',
        fix: null,
      },
    ]
  return []
}
