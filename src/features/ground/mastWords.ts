import { heightText, type Units } from '@/core/units'

/** Masts higher than this are not spoken of, m; nor antennas out there that nobody puts up. */
const [MAX_MAST_M, MAX_FAR_M] = [120, 15]

/**
 * What mast would clear the ground, and what would make it bearable.
 * @param clearsM height of the base's antenna that would clear it, and of the far one that it would have in sight, m
 * @param touchesM height of the base's antenna that brings the loss of the ground to 6 dB, m; null where none does
 */
export function mastWords(
  clearsM: { near: number; far: number },
  touchesM: number | null,
  at: string,
  far: string,
  units: Units,
): string {
  const show = (m: number) => heightText(Math.max(1, Math.ceil(m)), units)
  const clears =
    clearsM.near <= MAX_MAST_M
      ? `A mast of ${show(clearsM.near)} at ${at} would clear it`
      : clearsM.far <= MAX_FAR_M
        ? `No mast at ${at} clears it, but an antenna ${show(clearsM.far)} up at ${far} is in sight, or one on what is in the way`
        : `No mast that can be carried at ${at} clears it`
  const bears =
    touchesM === null || touchesM > MAX_MAST_M
      ? `none at ${at} brings the loss of the ground to 6 dB`
      : `${show(touchesM)} at ${at} bring the loss of the ground to 6 dB`
  return `${clears}; ${bears}.`
}
