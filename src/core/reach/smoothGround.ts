import { ends, figuresFor, type Direction, type Link } from '@/core/kit/rig/rig'
import { planeEarthLoss } from '@/core/propagation/planeEarth'
import { eirpDbm } from '@/core/rf/levels'
import { normalCdf } from '@/core/stats/numeric/normal'

/** What the strip's wedge assumes where nothing better is known; shown with it. */
export const SMOOTH_GROUND_ASSUMES = {
  /** dBi for an antenna whose gain is the question. */
  unknownGainDbi: 0,
  /** Level for a readable copy at the receiver, dBm: 0.25 uV across 50 ohm plus 12 dB. */
  neededDbm: -107,
  /** Body, houses, bushes: what the ends lose among them, dB. */
  clutterDb: 15,
  /** Location variability, dB. */
  spreadDb: 8,
}

/**
 * Chance of copy over smooth ground: free space, then plane earth, log-normal about the median.
 * It knows no hills: a first expectation for the plan, not a prediction for this ground.
 * @param distanceM above 0 m
 * @returns 0 to 1
 */
export function chanceOverSmoothGround(link: Link, direction: Direction, distanceM: number): number {
  if (direction === 'loop')
    return (
      chanceOverSmoothGround(link, 'to base', distanceM) *
      chanceOverSmoothGround(link, 'from base', distanceM)
    )
  const { sender, receiver } = ends(link, direction)
  const { unknownGainDbi, neededDbm, clutterDb, spreadDb } = SMOOTH_GROUND_ASSUMES
  const hears = figuresFor(receiver, false)
  const level =
    eirpDbm(
      sender.powerW,
      sender.antennaGainDbi ?? unknownGainDbi,
      (sender.leadLossDb ?? 0) + sender.attenuatorDb,
    ) +
    (hears.antennaGainDbi ?? unknownGainDbi) -
    (hears.leadLossDb ?? 0) -
    clutterDb -
    planeEarthLoss(sender.txMHz, distanceM / 1000, sender.antennaHeightM, receiver.antennaHeightM)
  return normalCdf((level - neededDbm) / spreadDb)
}

/** Nearest and farthest that an edge is looked for, m. */
const [NEAREST_M, FARTHEST_M] = [20, 300_000]

/** Where the chance of copy over smooth ground falls to one half, m: the edge to expect before anything is heard. */
export function edgeOverSmoothGround(link: Link, direction: Direction): number {
  let [near, far] = [NEAREST_M, FARTHEST_M]
  for (let i = 0; i < 40; i++) {
    const middle = Math.sqrt(near * far)
    if (chanceOverSmoothGround(link, direction, middle) > 0.5) near = middle
    else far = middle
  }
  return Math.sqrt(near * far)
}
