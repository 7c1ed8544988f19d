import { inverse, placesAlong, type Place } from '@/core/geo'
import type { Mark } from './plan'

const placeOf = (m: { lat: number | null; lon: number | null } | null): Place | null =>
  m && m.lat !== null && m.lon !== null ? { lat: m.lat, lon: m.lon } : null

/**
 * New marks in place of those of a leg that nothing was logged at, at another spacing: they begin one spacing beyond
 * the last mark that stays (or the base) and end at the leg's last mark.
 * @param base where the leg starts; null for marks by distance alone
 * @param legMarks marks of the leg, outwards
 * @param used ids of marks that stay
 * @param spacingM above nought
 * @param makeId id of the i-th new mark
 * @throws RangeError on a spacing that is not above nought
 */
export function respace(
  base: { lat: number | null; lon: number | null } | null,
  legMarks: readonly Mark[],
  used: ReadonlySet<string>,
  spacingM: number,
  makeId: (i: number) => string,
): { replaced: string[]; marks: Mark[] } {
  if (!(spacingM > 0)) throw new RangeError(`spacing must be above 0 m, not ${spacingM}`)
  const lastUsed = legMarks.reduce((at, m, i) => (used.has(m.id) ? i : at), -1)
  const left = legMarks.slice(lastUsed + 1)
  const template = left[0]
  if (!template) return { replaced: [], marks: [] }
  const start = lastUsed >= 0 ? legMarks[lastUsed]! : null
  const from = start ? placeOf(start) : placeOf(base)
  const way = left.map(placeOf)
  const name = (i: number) =>
    `${template.name.replace(/\d.*$/, '')}${String(lastUsed + 2 + i).padStart(2, '0')}*`
  const common = { legId: template.legId, legName: template.legName }
  const origin = placeOf(base)
  if (from && origin && way.every((p) => p !== null)) {
    const startAlong = start?.alongM ?? start?.distanceM ?? 0
    const marks = placesAlong([from, ...way], spacingM).map(({ place, alongM }, i): Mark => {
      const flown = inverse(origin, place)
      return {
        ...common,
        ...place,
        id: makeId(i),
        name: name(i),
        distanceM: flown.distanceM,
        distanceSdM: null,
        alongM: startAlong + alongM,
        bearingDeg: flown.bearingDeg,
      }
    })
    return { replaced: left.map((m) => m.id), marks }
  }
  const first = start?.distanceM ?? 0
  const last = left[left.length - 1]!.distanceM
  const count = Math.floor((last - first) / spacingM + 1e-9)
  const marks = Array.from({ length: count }, (_, i): Mark => ({
    ...template,
    id: makeId(i),
    name: name(i),
    lat: null,
    lon: null,
    alongM: null,
    distanceM: first + (i + 1) * spacingM,
  }))
  return { replaced: left.map((m) => m.id), marks }
}
