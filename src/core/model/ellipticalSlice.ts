import type { SeededRandom } from '@/core/stats/numeric/seededRandom'

/** Shrinking a step so often leaves it where it began. */
const MAX_SHRINKS = 60

/**
 * A walk over a density that is a likelihood times N(0, I): each step is sought on an ellipse through where it is and
 * a draw from the prior (elliptical slice sampling: Murray, Adams and MacKay 2010). No step is refused and nothing is
 * to be set.
 * @param start a point where the density is defined
 * @param at ln of the likelihood and what was worked out there; null where it cannot be
 * @param evaluations of the density, at most; where they are used up the walk ends
 * @returns a point for each step, the first ones being near the start
 */
export function ellipticalSlice<T>(
  start: Float64Array,
  { steps, evaluations = Infinity }: { steps: number; evaluations?: number },
  at: (theta: Float64Array) => { ln: number; of: T } | null,
  random: SeededRandom,
): { theta: Float64Array; ln: number; of: T }[] {
  const first = at(start)
  if (!first) return []
  let here = { theta: start, ...first }
  const walked: (typeof here)[] = []
  let left = evaluations
  while (walked.length < steps && left > 0) {
    const across = here.theta.map(() => random.normal())
    const least = here.ln + Math.log(random.uniform())
    let angle = 2 * Math.PI * random.uniform()
    let [low, high] = [angle - 2 * Math.PI, angle]
    for (let tries = 0; tries < MAX_SHRINKS && left-- > 0; tries++) {
      const theta = here.theta.map((v, i) => v * Math.cos(angle) + across[i]! * Math.sin(angle))
      const found = at(theta)
      if (found && found.ln > least) {
        here = { theta, ...found }
        break
      }
      if (angle < 0) low = angle
      else high = angle
      angle = low + (high - low) * random.uniform()
    }
    walked.push(here)
  }
  return walked
}
