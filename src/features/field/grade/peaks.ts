/** The lowest and highest sample of each stretch of a sound, in turn: what a waveform is drawn from. */
export interface Peaks {
  low: Float32Array
  high: Float32Array
  /** Stretches in a second. */
  perSecond: number
}

const PEAKS_PER_SECOND = 50

/** @param samples -1 to 1 @param rate samples in a second, at least {@link PEAKS_PER_SECOND} */
export function peaksOf(samples: Float32Array, rate: number): Peaks {
  const per = Math.floor(rate / PEAKS_PER_SECOND)
  const n = Math.ceil(samples.length / per)
  const low = new Float32Array(n)
  const high = new Float32Array(n)
  for (let i = 0; i < n; i++) {
    let a = Infinity
    let b = -Infinity
    const end = Math.min(samples.length, (i + 1) * per)
    for (let k = i * per; k < end; k++) {
      const v = samples[k]!
      if (v < a) a = v
      if (v > b) b = v
    }
    low[i] = a
    high[i] = b
  }
  return { low, high, perSecond: rate / per }
}

/**
 * The same for a drawing of so many columns over a stretch of time.
 * @param fromS, toS seconds into the sound
 */
export function columnsOf(
  peaks: Peaks,
  fromS: number,
  toS: number,
  columns: number,
): { low: number; high: number }[] {
  const at = (s: number) => Math.floor(s * peaks.perSecond)
  return Array.from({ length: columns }, (_, c) => {
    const start = Math.max(0, at(fromS + ((toS - fromS) * c) / columns))
    const end = Math.max(start + 1, at(fromS + ((toS - fromS) * (c + 1)) / columns))
    let low = 0
    let high = 0
    for (let i = start; i < Math.min(end, peaks.low.length); i++) {
      low = Math.min(low, peaks.low[i]!)
      high = Math.max(high, peaks.high[i]!)
    }
    return { low, high }
  })
}
