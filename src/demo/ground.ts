import { direct, type Place } from '@/core/geo'
import type { Link } from '@/core/kit'
import { modelLoss } from '@/core/propagation'
import { buildIsland } from '@/core/sim'
import { groundProfile, terrainOf, type GroundProfile } from '@/core/terrain'
import type { Mark } from '@/core/trial'
import { storeGrid, type Db } from '@/data'

/** From the harbour at the island's western shore to its middle. */
const [MIDDLE_BEARING, MIDDLE_M] = [66, 5150]

/** Ostrey's ground, built from a seed, and what it costs on the way from the harbour to a mark, dB: the ridge with the Saddle between two tops, lower land along the shore. */
export function seedGround(db: Db, harbour: Place): (link: Link, mark: Mark) => number | null {
  const middle = direct(harbour, MIDDLE_BEARING, MIDDLE_M)
  const grid = buildIsland({
    seed: 20,
    ...middle,
    alongM: 5700,
    acrossM: 5000,
    axisDeg: 58,
    hills: [
      { eastM: -2300, northM: 1700, highM: 236, wideM: 1150 },
      { eastM: -300, northM: 1100, highM: 168, wideM: 1300 },
      { eastM: 1700, northM: -100, highM: 92, wideM: 1000 },
      { eastM: -1500, northM: -2100, highM: 64, wideM: 800 },
      { eastM: 2300, northM: 2300, highM: 70, wideM: 1500 },
    ],
    roughM: 18,
  })
  storeGrid(db, 'Ostrey, built from a seed', grid)
  const terrain = terrainOf([grid])
  const profiles = new Map<string, GroundProfile>()
  return (link, mark) => {
    if (mark.lat === null || mark.lon === null) return null
    const profile = profiles.get(mark.id) ?? groundProfile(terrain, harbour, { lat: mark.lat, lon: mark.lon })
    profiles.set(mark.id, profile)
    const { db: lossDb } = modelLoss('terrain', {
      frequencyMHz: link.out.txMHz,
      distanceKm: profile.lengthKm,
      baseM: link.base.antennaHeightM,
      farM: link.out.antennaHeightM,
      profile,
      vertical: true,
    })
    return lossDb
  }
}
