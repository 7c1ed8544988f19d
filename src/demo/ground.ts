import { direct, type Place } from '@/core/geo'
import { buildIsland } from '@/core/sim'
import { storeGrid, type Db } from '@/data'

/** From the harbour at the island's western shore to its middle. */
const [MIDDLE_BEARING, MIDDLE_M] = [66, 5150]

/** Ostrey's ground, built from a seed: the ridge with the Saddle between two tops, lower land along the shore. */
export function seedGround(db: Db, harbour: Place): void {
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
}
