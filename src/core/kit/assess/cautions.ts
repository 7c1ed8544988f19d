import type { PlacedRig } from '../rig/assembly'
import { heightText, type Units } from '@/core/units'
import { wattText } from '../budget/trace'

/**
 * A caution: few words, with a reason. Its key changes with what it depends on, so that one marked as read comes back.
 */
export interface Caution {
  key: string
  title: string
  words: string
}

/** Above this a caution is given for people near the antenna, W. */
const FEW_WATTS = 5

/** Cautions that a rig calls for. They never block. */
export function cautionsOf(
  rig: PlacedRig,
  settings: { powerW: number; antennaHeightM: number },
  units: Units,
): Caution[] {
  const found: Caution[] = []
  const mast = rig.ports.find((p) => p.mast)?.mast
  const height = heightText(settings.antennaHeightM, units)
  const chain = rig.ports.flatMap((p) => p.items.map((i) => i.part))
  if (mast) {
    const clear = heightText(settings.antennaHeightM * 1.5, units)
    found.push({
      key: `mast ${mast.id} ${settings.antennaHeightM}`,
      title: `A mast of ${height}`,
      words: `Keep its foot at least ${clear}, one and a half times its whole height with the antenna, from anything live, in every direction that it could fall. Not in wind, not alone, nobody under it. Local codes and qualified people decide.`,
    })
    found.push({
      key: `outdoor ${mast.id}`,
      title: 'An antenna that stays up',
      words:
        'Ground the mast and the lead’s shield and fit a surge protector at the entry, bonded as the local electrical code says, by or checked by a qualified person. Unplug before a storm; when thunder is near, come down, disconnect, get inside.',
    })
  }
  if (settings.powerW > FEW_WATTS)
    found.push({
      key: `people ${settings.powerW}`,
      title: `${wattText(settings.powerW)} near people`,
      words:
        'Keep people away from the antenna by the distance shown; it is computed on the safe side, and the local limit rules.',
    })
  if (chain.some((p) => p.kind === 'attenuator'))
    found.push({
      key: `attenuator ${settings.powerW}`,
      title: 'An attenuator in a transmit path',
      words:
        'It must be rated for the full power. A small one burns or fails open, and then the radio sees no load.',
    })
  if (rig.along.some((p) => p.kind === 'battery' && p.spec.chemistry.startsWith('lithium')))
    found.push({
      key: 'lithium',
      title: 'A lithium battery',
      words:
        'Fuse it at the battery, mind its temperature range, leave it air; label a box that stands alone with a contact.',
    })
  if (rig.radio?.spec.use === 'relay')
    found.push({
      key: 'relay',
      title: 'A transmitter beside other electronics',
      words:
        'Its field can upset chargers and controllers. Separate and screen them, keep leads short, and test at full power before you leave it alone.',
    })
  return found
}
