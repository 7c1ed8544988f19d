/** What is wrong with a place that a file names: off the globe, or at a pole; null where nothing is. */
export function placeProblem(lat: number, lon: number): { code: string; message: string } | null {
  if (Math.abs(lat) > 90 || Math.abs(lon) > 180)
    return {
      code: 'off-globe',
      message: `A point lies at ${lat}, ${lon}; latitude goes to 90 and longitude to 180 degrees.`,
    }
  if (Math.abs(lat) > 89)
    return {
      code: 'at-pole',
      message: `A point lies at latitude ${lat}, at a pole, where bearings mean nothing. Leave it out.`,
    }
  return null
}

/** Most points that a file may hold. */
export const MAX_POINTS = 1_000_000
export const TOO_MANY_POINTS = 'There are more than a million points. Thin out the track.'
/** Deepest that elements of a file may be nested. */
export const MAX_DEPTH = 64
