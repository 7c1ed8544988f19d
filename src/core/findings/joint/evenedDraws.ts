import { sumDb } from '@/core/kit/rig/rig'
import { differenceDraws } from '@/core/model/answers'
import type { ModelFit } from '@/core/model/fit'
import { knownIn, type FindingsInput } from '../input'

/** What is known of link a over link b and is taken out, the mean over these directions, dB. */
export function takenOutDb(input: FindingsInput, a: number, b: number, listeners: readonly number[]): number {
  const [p, q] = [input.links[a]!, input.links[b]!]
  return (
    listeners.reduce((sum, d) => sum + sumDb(knownIn(input, p, q, input.directions[d]!)), 0) /
    listeners.length
  )
}

/** Link a less link b with what is known taken out, the mean over these directions, dB by draw. */
export function evenedDraws(
  input: FindingsInput,
  fit: ModelFit,
  a: number,
  b: number,
  listeners: readonly number[],
): Float64Array {
  const out = takenOutDb(input, a, b, listeners)
  return differenceDraws(fit, a, b, listeners, true).map((v) => v - out)
}
