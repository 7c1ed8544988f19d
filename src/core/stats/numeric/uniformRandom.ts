import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus'

/** A repeatable source of even chances. */
export interface UniformRandom {
  /** Even on 0 to 1, never 0 or 1. */
  uniform(): number
  /** Whole number from 0 to n - 1. */
  below(n: number): number
  /** A shuffled copy (Fisher-Yates). */
  shuffled<T>(list: readonly T[]): T[]
}

/**
 * Spreads a seed over all 32 bits (the finaliser of MurmurHash3), so that neighbouring seeds have nothing in common.
 */
function scrambled(seed: number): number {
  let h = (seed | 0) + 0x9e3779b9
  h = Math.imul(h ^ (h >>> 16), 0x85ebca6b)
  h = Math.imul(h ^ (h >>> 13), 0xc2b2ae35)
  return (h ^ (h >>> 16)) | 0
}

/** The generator's first outputs still show its seed; they are thrown away. */
const WARM_UP = 24

/**
 * Even random numbers that are the same for the same seed on every machine. Draws and shuffles need no more,
 * and the field screen ships nothing more.
 * @param seed whole number
 */
export function uniformRandom(seed: number): UniformRandom {
  const generator = xoroshiro128plus(scrambled(seed))
  for (let i = 0; i < WARM_UP; i++) generator.next()
  const uniform = () => ((generator.next() >>> 0) + 0.5) / 4294967296
  const below = (n: number) => Math.floor(uniform() * n)
  return {
    uniform,
    below,
    shuffled: (list) => {
      const copy = [...list]
      for (let i = copy.length - 1; i > 0; i--) {
        const j = below(i + 1)
        ;[copy[i], copy[j]] = [copy[j]!, copy[i]!]
      }
      return copy
    },
  }
}
