import { verticalHeightM } from './effectiveHeight'
import { egliLoss } from './egli'
import { freeSpaceLoss } from './freeSpace'
import { hataLoss } from './hata'
import { groundPath } from './groundPath'
import { horizonKm, USUAL_K } from './horizon'
import { deltaBullingtonLoss, MIN_DIFFRACTION_MHZ, type Profile } from './p526'
import { planeEarthBreakKm, planeEarthLoss } from './planeEarth'

export const MODELS = [
  'terrain',
  'free space',
  'plane earth',
  'Egli',
  'Hata, urban',
  'Hata, suburban',
  'Hata, open',
] as const
export type ModelName = (typeof MODELS)[number]

/** A path to predict over. */
export interface PathGeometry {
  frequencyMHz: number
  distanceKm: number
  /** Over the ground, m. */
  baseM: number
  farM: number
  /** The ground between; null where it is not known. */
  profile: Profile | null
  vertical: boolean
  k?: number
}

/** Median loss of a path by a model, and why it may not apply here. */
export interface ModelLoss {
  /** dB; null where the model has no answer at all. */
  db: number | null
  notes: string[]
}

/** Why a model does not apply to a path; empty where it does. */
export function whyNot(model: ModelName, path: PathGeometry): string[] {
  const { frequencyMHz: f, distanceKm: d, baseM, farM, profile, k = USUAL_K } = path
  const notes: string[] = []
  const outside = (when: boolean, words: string) => when && notes.push(words)
  if (f < 30 && model !== 'free space' && model !== 'terrain')
    notes.push('below 30 MHz the ground wave and the sky rule, which it does not know')
  switch (model) {
    case 'free space':
      outside(f < 30, 'below 30 MHz the ground wave and the sky rule, which it does not know')
      outside(d > horizonKm([baseM, farM], k), 'the far end lies beyond the horizon')
      outside(
        d > planeEarthBreakKm(f, baseM, farM),
        'beyond the break the ground’s reflection takes away more',
      )
      break
    case 'plane earth':
      outside(d < planeEarthBreakKm(f, baseM, farM), 'nearer than its break, where free space holds')
      outside(d > horizonKm([baseM, farM], k), 'the far end lies beyond the horizon')
      outside(profile !== null && !isFlat(profile), 'the ground is not flat')
      break
    case 'Egli':
      outside(f < 40 || f > 900, 'made for 40 to 900 MHz')
      outside(d < 1 || d > 60, 'made for about 1 to 60 km')
      break
    case 'terrain':
      outside(profile === null, 'the ground is not known here')
      outside(f < MIN_DIFFRACTION_MHZ, 'made for 10 MHz and up')
      outside(
        f >= MIN_DIFFRACTION_MHZ && f < 30,
        'below 30 MHz it knows the ground’s shape and not the ground wave or the sky',
      )
      break
    default:
      outside(f < 150 || f > 1500, 'made for 150 to 1500 MHz')
      outside(baseM < 30 || baseM > 200, 'made for a base at 30 to 200 m')
      outside(d < 1 || d > 20, 'made for 1 to 20 km')
      outside(farM < 1 || farM > 10, 'made for a mobile at 1 to 10 m')
  }
  return notes
}

/** A rise of this much over a profile is no plane, m. */
const FLAT_M = 10

function isFlat({ heightsM }: Profile): boolean {
  let [low, high] = [Infinity, -Infinity]
  for (let i = 0; i < heightsM.length; i++) {
    low = Math.min(low, heightsM[i]!)
    high = Math.max(high, heightsM[i]!)
  }
  return high - low < FLAT_M
}

/** Median path loss by a model, dB, before clutter at the ends. */
export function modelLoss(model: ModelName, path: PathGeometry): ModelLoss {
  const { frequencyMHz: f, distanceKm: d, baseM, farM, profile, vertical, k = USUAL_K } = path
  const notes = whyNot(model, path)
  switch (model) {
    case 'free space':
      return { db: freeSpaceLoss(f, d), notes }
    case 'plane earth': {
      const height = (h: number) => (vertical ? verticalHeightM(h, f) : h)
      return { db: planeEarthLoss(f, d, height(baseM), height(farM)), notes }
    }
    case 'Egli':
      return { db: egliLoss(f, d, baseM, farM), notes }
    case 'terrain': {
      if (!profile || f < MIN_DIFFRACTION_MHZ) return { db: null, notes }
      const over = deltaBullingtonLoss(profile, baseM, farM, groundPath(f, vertical, k))
      return { db: freeSpaceLoss(f, d) + over.lossDb, notes }
    }
    default: {
      const place = model.slice('Hata, '.length) as 'urban' | 'suburban' | 'open'
      return { db: hataLoss(place, f, d, baseM, farM), notes }
    }
  }
}
