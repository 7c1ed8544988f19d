import { direct, inverse, turnDeg, type Place } from '@/core/geo'
import { seededRandom } from '@/core/stats'

/** A hidden transmitter that is none, and a direction finder that points at it with an error of its own. */
export interface SimulatedFinder {
  /** A true bearing from a place, degrees. */
  bearingFrom: (from: Place) => number
  truth: Place
}

/** Standard deviation of the simulated finder, degrees. */
export const FINDER_SD_DEG = 4
const [NEAREST_M, FARTHEST_M] = [900, 2600]

/** @param first the first place stood at: the transmitter is hidden within a walk of it @param seed hides it elsewhere */
export function simulatedFinder(seed: number, first: Place): SimulatedFinder {
  const random = seededRandom(seed)
  const truth = direct(first, 360 * random.uniform(), NEAREST_M + (FARTHEST_M - NEAREST_M) * random.uniform())
  return {
    truth,
    bearingFrom: (from) =>
      Math.round(turnDeg(inverse(from, truth).bearingDeg + FINDER_SD_DEG * random.normal()) * 10) / 10,
  }
}
