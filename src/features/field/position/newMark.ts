import { v7 } from 'uuid'
import { direct, inverse, type Place } from '@/core/geo'
import { MEANS_SD, type Mark, type MarkMeans } from '@/core/trial'

interface Wanted {
  name: string
  leg: { id: string; name: string }
  how: MarkMeans
  distanceM: number
  bearingDeg?: number | null
  place?: Place | null
}

/** A mark that is made out there. */
export function newMark({ name, leg, how, distanceM, bearingDeg = null, place = null }: Wanted): Mark {
  return {
    id: v7(),
    name: name.trim(),
    legId: leg.id,
    legName: leg.name,
    distanceM,
    how,
    distanceSdM: how === 'coordinates' ? null : distanceM * MEANS_SD[how],
    alongM: how === 'odometer' ? distanceM : null,
    bearingDeg,
    lat: place?.lat ?? null,
    lon: place?.lon ?? null,
  }
}

/** A mark where one stands, measured from the base. */
export function markAt(name: string, leg: Wanted['leg'], base: Place, place: Place): Mark {
  const { distanceM, bearingDeg } = inverse(base, place)
  const { lat, lon } = place
  return newMark({ name, leg, how: 'coordinates', distanceM, bearingDeg, place: { lat, lon } })
}

/** A mark by a distance and, where it is known, a bearing from the base. */
export function markBy(
  name: string,
  leg: Wanted['leg'],
  base: Place | null,
  distanceM: number,
  bearingDeg: number | null,
  how: MarkMeans,
): Mark {
  const place = base && bearingDeg !== null && how !== 'pegged' ? direct(base, bearingDeg, distanceM) : null
  return newMark({
    name,
    leg,
    how: place ? 'coordinates' : how,
    distanceM,
    bearingDeg,
    place,
  })
}
