import { bulgeM, USUAL_K, type Profile } from '@/core/propagation'

/**
 * Metres of wood that the ray goes through. The ray is the string drawn taut over the ground between the
 * antennas, earth's bulge and all: behind a hill it comes down to a low antenna, and only where it runs under
 * the tree tops does a wood count.
 * @param topM height of the trees over the ground at each sample of the profile, 0 where there is no wood
 * @param nearM, farM antenna heights over the ground at the ends
 */
export function woodDepthM(
  profile: Profile,
  topM: ArrayLike<number>,
  nearM: number,
  farM: number,
  k = USUAL_K,
): number {
  const { distancesKm: D, heightsM: H } = profile
  const n = D.length
  const d = D[n - 1]!
  const ground = (i: number) => H[i]! + bulgeM(D[i]!, d - D[i]!, k)
  const held = (i: number) => (i === 0 ? H[0]! + nearM : i === n - 1 ? H[n - 1]! + farM : ground(i))
  // Upper hull, from the near end outwards.
  const hull: number[] = []
  for (let i = 0; i < n; i++) {
    while (hull.length >= 2) {
      const [a, b] = [hull[hull.length - 2]!, hull[hull.length - 1]!]
      const over = (held(b) - held(a)) * (D[i]! - D[a]!) - (held(i) - held(a)) * (D[b]! - D[a]!)
      if (over > 0) break
      hull.pop()
    }
    hull.push(i)
  }
  let depth = 0
  let at = 0
  for (let i = 1; i < n; i++) {
    const m = (D[i - 1]! + D[i]!) / 2
    while (D[hull[at + 1]!]! < m) at++
    const [a, b] = [hull[at]!, hull[at + 1]!]
    const ray = held(a) + ((held(b) - held(a)) * (m - D[a]!)) / (D[b]! - D[a]!)
    const top = Math.max(topM[i - 1]!, topM[i]!)
    // Of a step over a wood's edge, half.
    const share = ((topM[i - 1]! > 0 ? 1 : 0) + (topM[i]! > 0 ? 1 : 0)) / 2
    if (share > 0 && ray < (ground(i - 1) + ground(i)) / 2 + top) depth += share * (D[i]! - D[i - 1]!) * 1000
  }
  return depth
}
