/** Lowest and highest frequency that is taken for MHz without asking. */
const MIN_MHZ = 0.1
const MAX_MHZ = 30_000

/** Another meaning of a number typed as MHz. */
export interface FrequencyMeaning {
  frequencyMHz: number
  /** What it was typed in. */
  typedIn: 'kHz' | 'GHz' | 'Hz'
}

const OTHERS: { typedIn: FrequencyMeaning['typedIn']; toMHz: number }[] = [
  { typedIn: 'kHz', toMHz: 1e-3 },
  { typedIn: 'GHz', toMHz: 1e3 },
  { typedIn: 'Hz', toMHz: 1e-6 },
]

/**
 * What a number may have meant that is no likely frequency in MHz: one typed in kHz, GHz or Hz. Empty where
 * MHz is likely.
 * @param value above 0, as typed
 * @param bands the radio's own, MHz; empty where not known, and then only what lies outside 0.1 to 30 000 MHz
 *   is doubted
 * @example likelyFrequencies(145500, [{ fromMHz: 144, toMHz: 146 }]) // [{ frequencyMHz: 145.5, typedIn: 'kHz' }]
 */
export function likelyFrequencies(
  value: number,
  bands: readonly { fromMHz: number; toMHz: number }[],
): FrequencyMeaning[] {
  const fits = (f: number) =>
    bands.length > 0 ? bands.some((b) => f >= b.fromMHz && f <= b.toMHz) : f >= MIN_MHZ && f <= MAX_MHZ
  if (!(value > 0) || fits(value)) return []
  return OTHERS.map(({ typedIn, toMHz }) => ({
    typedIn,
    frequencyMHz: Number((value * toMHz).toPrecision(12)),
  })).filter((m) => fits(m.frequencyMHz))
}
