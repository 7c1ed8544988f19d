// Fields that were never walked: the ground of a made-up island, three ways out, and what two rigs would be heard like
// there, with an offset of 0 to 25 dB from what is predicted and shadowing of its own.
import { direct, inverse, type Place } from '../src/core/geo'
import type { MarginSeen } from '../src/core/reach/correction/learnCorrection'
import { linkKey, pathOver, predict, USUAL_PREDICTION } from '../src/core/reach'
import { buildIsland } from '../src/core/sim'
import { seededRandom } from '../src/core/stats'
import { cholesky } from '../src/core/stats/numeric/cholesky'
import { groundProfile, terrainOf } from '../src/core/terrain'
import { link as linkOf, rig } from '../src/core/testing/plans'

const BASE = { lat: 47.3, lon: -29.55 }
export const LEGS = 3
const [MARKS, EVERY_M, SHADOW_DB] = [12, 350, 6]
const base = rig('H', { kind: 'base', powerW: 10, antennaHeightM: 8, antennaGainDbi: 2 })
export const links = [
  linkOf(rig('A', { powerW: 2, antennaGainDbi: -6 }), base),
  linkOf(rig('B', { powerW: 2, antennaGainDbi: -2 }), base),
]
export type Spot = Place & { distanceM: number; leg: number }

/** What every check would say, and how it is, of one field. */
export function field(seed: number) {
  const random = seededRandom(seed)
  const hills = Array.from({ length: 5 }, () => ({
    eastM: 5000 * (random.uniform() - 0.5),
    northM: 5000 * (random.uniform() - 0.5),
    highM: 60 + 180 * random.uniform(),
    wideM: 500 + 900 * random.uniform(),
  }))
  const shape = { alongM: 7000, acrossM: 7000, axisDeg: 30, roughM: 15 }
  const terrain = terrainOf([buildIsland({ seed, ...BASE, ...shape, hills })])
  const first = 360 * random.uniform()
  const places = Array.from({ length: LEGS * MARKS }, (_, i): Spot => {
    const leg = Math.floor(i / MARKS)
    const distanceM = EVERY_M * ((i % MARKS) + 1)
    return { ...direct(BASE, first + 120 * leg, distanceM), distanceM, leg }
  })
  const reachM = 200 + 800 * random.uniform()
  const l = cholesky(
    places.map((p, i) =>
      places.map((q, j) => (i === j ? 1 + 1e-9 : Math.exp(-inverse(p, q).distanceM / reachM))),
    ),
  )
  const white = places.map(() => random.normal())
  const shadow = l.map((row) => SHADOW_DB * row.reduce((s, v, j) => s + v * white[j]!, 0))
  const offsetDb = -25 * random.uniform()
  const seen: (MarginSeen & { leg: number })[] = []
  const truth: {
    spot: Spot
    key: string
    direction: 'to base' | 'from base'
    predicted: number
    margin: number
  }[] = []
  places.forEach((spot, i) => {
    const profile = groundProfile(terrain, BASE, spot)
    if (profile.knownKm < profile.lengthKm) return
    for (const link of links)
      for (const direction of ['to base', 'from base'] as const) {
        const predicted = predict(link, direction, pathOver(profile), USUAL_PREDICTION).marginDb
        const margin =
          predicted + offsetDb - 5 * Math.log10(spot.distanceM / 1000) + shadow[i]! + random.normal()
        const key = linkKey(link)
        truth.push({ spot, key, direction, predicted, margin })
        const now = margin + 2.5 * random.normal()
        const one = {
          checkId: `${i} ${key} ${direction}`,
          key,
          direction,
          place: spot,
          distanceM: spot.distanceM,
          predictedDb: predicted,
          leg: spot.leg,
        }
        seen.push({ ...one, meter: null, lower: now > 0 ? 0 : -Infinity, upper: now > 0 ? Infinity : 0 })
        if (now < -5) continue
        const unit = Math.round((now - 30) / 6)
        seen.push({
          ...one,
          meter: direction === 'to base' ? 'base' : 'out',
          lower: 6 * unit - 3,
          upper: 6 * unit + 3,
        })
      }
  })
  return { seen, truth }
}
