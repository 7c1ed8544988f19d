/** Units that a column of distances can be in, and how many metres one is. */
export const DISTANCE_UNITS = { m: 1, km: 1000, mi: 1609.344, yd: 0.9144, ft: 0.3048 } as const
export type DistanceUnit = keyof typeof DISTANCE_UNITS

/** Their names on a screen. */
export const DISTANCE_UNIT_NAMES: Record<DistanceUnit, string> = {
  m: 'metres',
  km: 'kilometres',
  mi: 'miles',
  yd: 'yards',
  ft: 'feet',
}

const HEADINGS: [RegExp, DistanceUnit][] = [
  [/\b(km|kms|kilomet\w*)\b/, 'km'],
  [/\b(mi|miles?)\b/, 'mi'],
  [/\b(yd|yds|yards?)\b/, 'yd'],
  [/\b(ft|feet|foot)\b/, 'ft'],
  [/\b(m|met(re|er)s?)\b/, 'm'],
]

/** The unit that a heading names: "distance_km", "Range (mi)", "dist [m]"; null where it names none. */
export function unitOfHeading(heading: string): DistanceUnit | null {
  const words = heading.toLowerCase().replace(/[^a-z]+/g, ' ')
  return HEADINGS.find(([re]) => re.test(words))?.[1] ?? null
}
