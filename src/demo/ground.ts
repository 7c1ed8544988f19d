import { direct, type Place } from '@/core/geo'
import type { Link } from '@/core/kit'
import { modelLoss } from '@/core/propagation'
import { buildIsland } from '@/core/sim'
import { groundProfile, terrainOf, type GroundProfile } from '@/core/terrain'
import type { Mark } from '@/core/trial'
import { addAreas, storeGrid, type Db, type NewArea } from '@/data'

/** From the harbour at the island's western shore to its middle. */
const [MIDDLE_BEARING, MIDDLE_M] = [66, 5150]

/**
 * A rounded area about a place, by bearing and distance from the harbour; its half widths along and across an axis, m.
 */
function roundArea(
  harbour: Place,
  at: [bearing: number, m: number],
  halves: [number, number],
  axisDeg: number,
): NewArea['rings'] {
  const middle = direct(harbour, ...at)
  const ring = Array.from({ length: 24 }, (_, i): [number, number] => {
    const t = (i / 24) * 2 * Math.PI
    const ragged = 1 + 0.12 * Math.sin(3 * t + at[1])
    const [along, across] = [halves[0] * ragged * Math.cos(t), halves[1] * ragged * Math.sin(t)]
    const p = direct(middle, axisDeg + (Math.atan2(across, along) * 180) / Math.PI, Math.hypot(along, across))
    return [Number(p.lon.toFixed(6)), Number(p.lat.toFixed(6))]
  })
  return [[...ring, ring[0]!]]
}

/** What stands on Ostrey: a village, a plantation, and the course of the race that must be covered. */
function seedAreas(db: Db, harbour: Place): void {
  addAreas(db, [
    {
      name: 'Village',
      kind: 'scattered',
      heightM: 6,
      rings: roundArea(harbour, [105, 900], [650, 330], 120),
    },
    { name: 'Plantation', kind: 'wood', heightM: 14, rings: roundArea(harbour, [74, 3300], [700, 420], 40) },
    {
      name: 'Race course',
      kind: 'to cover',
      heightM: 0,
      rings: roundArea(harbour, [62, 4700], [3300, 1900], 58),
    },
  ])
}

/**
 * Ostrey's ground, built from a seed, and what it costs on the way from the harbour to a mark, dB: the ridge
 * with the Saddle between two tops, lower land along the shore.
 */
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
  seedAreas(db, harbour)
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
