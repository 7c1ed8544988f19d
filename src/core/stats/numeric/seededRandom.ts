import { normalQuantile } from './normalQuantile'
import { uniformRandom, type UniformRandom } from './uniformRandom'

/** A repeatable source of chance. */
export interface SeededRandom extends UniformRandom {
  /** Standard normal. */
  normal(): number
}

/**
 * Random numbers that are the same for the same seed on every machine.
 * @param seed whole number
 */
export function seededRandom(seed: number): SeededRandom {
  const even = uniformRandom(seed)
  return { ...even, normal: () => normalQuantile(even.uniform()) }
}
