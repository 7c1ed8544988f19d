import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus'
import { normalQuantile } from './normal'

/** A repeatable source of chance. */
export interface SeededRandom {
  /** Even on 0 to 1, never 0 or 1. */
  uniform(): number
  /** Standard normal. */
  normal(): number
  /** Whole number from 0 to n - 1. */
  below(n: number): number
  /** A shuffled copy (Fisher-Yates). */
  shuffled<T>(list: readonly T[]): T[]
}

/**
 * Random numbers that are the same for the same seed on every machine.
 * @param seed whole number
 */
export function seededRandom(seed: number): SeededRandom {
  const generator = xoroshiro128plus(seed | 0)
  const uniform = () => ((generator.next() >>> 0) + 0.5) / 4294967296
  const below = (n: number) => Math.floor(uniform() * n)
  return {
    uniform,
    below,
    normal: () => normalQuantile(uniform()),
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
