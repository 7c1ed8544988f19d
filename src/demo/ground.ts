import { direct, type Place } from '@/core/geo'
import { buildIsland } from '@/core/sim'
import { storeGrid, type Db } from '@/data'

/** From the harbour at the island's western shore to its middle. */
const [MIDDLE_BEARING, MIDDLE_M] = [66, 3900]

/** Ostrey's ground, built from a seed: the ridge with the Saddle between two tops, lower land along the shore. */
export function seedGround(db: Db, harbour: Place): void {
  const middle = direct(harbour, MIDDLE_BEARING, MIDDLE_M)
  const grid = buildIsland({
    seed: 20,
    ...middle,
    alongM: 5600,
    acrossM: 4300,
    axisDeg: 58,
    hills: [
      { eastM: -1300, northM: 2100, highM: 236, wideM: 1150 },
      { eastM: 700, northM: 1500, highM: 168, wideM: 1300 },
      { eastM: 2400, northM: 300, highM: 92, wideM: 1000 },
      { eastM: -600, northM: -1500, highM: 58, wideM: 800 },
    ],
    roughM: 14,
  })
  storeGrid(db, 'Ostrey, built from a seed', grid)
}
