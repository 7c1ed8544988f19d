import { bulgeM, fresnelM } from '@/core/propagation'
import type { GroundProfile } from '@/core/terrain'

export const HEIGHT = 230
const TOP = 22
export const [LEFT, RIGHT, FOOT] = [52, 24, 30] as const

interface Seen {
  nearM: number
  farM: number
  frequencyMHz: number
  width: number
}

/** Where everything of a profile is drawn: distances in km and heights over the sea in m, to px; paths for SVG. */
export function profileGeometry(profile: GroundProfile, { nearM, farM, frequencyMHz, width }: Seen) {
  const { distancesKm: D, heightsM: H, lengthKm: d } = profile
  const n = D.length
  const bulged = (i: number) => H[i]! + bulgeM(D[i]!, d - D[i]!)
  const [a, b] = [H[0]! + nearM, H[n - 1]! + farM]
  const line = (km: number) => a + ((b - a) * km) / d
  let [low, high] = [Math.min(a, b), Math.max(a, b)]
  for (let i = 0; i < n; i++) {
    low = Math.min(low, bulged(i))
    high = Math.max(high, bulged(i))
  }
  const treeTop = (i: number) => bulged(i) + (profile.cover?.woodTopM[i] ?? 0)
  for (let i = 0; i < n; i++) high = Math.max(high, treeTop(i))
  low = Math.min(low, H[0]!, H[n - 1]!) - 2
  high += Math.max(6, (high - low) * 0.08)
  const x = (km: number) => LEFT + (km / d) * (width - LEFT - RIGHT)
  const y = (m: number) => TOP + ((high - m) / (high - low)) * (HEIGHT - TOP - FOOT)
  const index = Array.from({ length: n }, (_, i) => i)
  const ground = index.map((i) => `${x(D[i]!).toFixed(1)} ${y(bulged(i)).toFixed(1)}`).join('L')
  const zone = (side: 1 | -1, share: number) =>
    index.map((i) => {
      const r = i === 0 || i === n - 1 ? 0 : fresnelM(frequencyMHz, D[i]!, d - D[i]!) * share
      return `${x(D[i]!).toFixed(1)} ${y(line(D[i]!) + side * r).toFixed(1)}`
    })
  const ellipse = (share: number) => `M${zone(1, share).join('L')}L${zone(-1, share).reverse().join('L')}Z`
  const blocked = index.slice(1).flatMap((i) => {
    const [g0, g1, s0, s1] = [bulged(i - 1), bulged(i), line(D[i - 1]!), line(D[i]!)]
    if (g0 <= s0 && g1 <= s1) return []
    return [
      `M${x(D[i - 1]!)} ${y(Math.max(g0, s0))}L${x(D[i]!)} ${y(Math.max(g1, s1))}L${x(D[i]!)} ${y(s1)}L${x(D[i - 1]!)} ${y(s0)}Z`,
    ]
  })
  const woods = index.slice(1).flatMap((i) => {
    if (!(profile.cover?.woodTopM[i - 1] && profile.cover.woodTopM[i])) return []
    const corners = [
      [i - 1, bulged(i - 1)],
      [i - 1, treeTop(i - 1)],
      [i, treeTop(i)],
      [i, bulged(i)],
    ]
    return [`M${corners.map(([j, m]) => `${x(D[j!]!).toFixed(1)} ${y(m!).toFixed(1)}`).join('L')}Z`]
  })
  /** The height over the sea at a px of the drawing, m. */
  const metresAt = (py: number) => high - ((py - TOP) / (HEIGHT - TOP - FOOT)) * (high - low)
  return { lengthKm: d, low, high, x, y, line, ground, ellipse, blocked, woods, metresAt }
}
export type ProfileGeometry = ReturnType<typeof profileGeometry>
