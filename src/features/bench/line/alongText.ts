import { shownUnit, toShown, type Units } from '@/core/units'

/** A length along a lead: as fine as a sweep tells it. */
export function alongText(lengthM: number, units: Units): string {
  const v = toShown(lengthM, 'm', units)
  return `${v.toFixed(v < 1 ? 2 : 1)} ${shownUnit('m', units)}`
}
