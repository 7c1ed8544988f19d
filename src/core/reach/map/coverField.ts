import type { Direction, Link } from '@/core/kit/rig/rig'
import { normalQuantile } from '@/core/stats/numeric/normalQuantile'
import { quickNormalCdf } from '@/core/stats/numeric/quickNormalCdf'
import type { ReachMapMaker } from './chanceField'
import { oneWays } from './oneWays'
import { emptyField, type Field } from './mapRaster'
import type { PredictionSettings } from '../predict'

/** Chance that a place is covered at all: that of the calls from there the share comes through that is asked for. */
export function coverField(
  maker: ReachMapMaker,
  link: Link,
  directions: readonly Direction[],
  settings: PredictionSettings,
  reliability: number,
  every: number,
): Field {
  const ways = oneWays(directions).map((d) => maker.margins(link, d, settings, every))
  const field = emptyField(maker.ground.raster, every)
  const z = normalQuantile(reliability)
  for (let i = 0; i < field.values.length; i++) {
    let least = 1
    for (const { marginDb, placeSdDb, callSdDb } of ways) {
      const chance = quickNormalCdf((marginDb[i]! - z * callSdDb) / placeSdDb[i]!)
      if (Number.isNaN(marginDb[i]!)) least = NaN
      else if (chance < least) least = chance
    }
    field.values[i] = least
  }
  return field
}

/** Where two links differ, for each place: which of them likelier covers it than not. */
export const SIDES = ['neither', 'first', 'second', 'both'] as const
export type Side = (typeof SIDES)[number]

/** A place is likelier covered than not; a side of less chance than this is not decided. */
const LIKELIER = 0.5

/** Which of two links likelier covers each place than not, as an index of {@link SIDES}. */
export function sidesField(first: Field, second: Field): Field {
  const field = emptyField(first.raster, first.every)
  for (let i = 0; i < field.values.length; i++) {
    const [a, b] = [first.values[i]!, second.values[i]!]
    const side: Side =
      a >= LIKELIER ? (b >= LIKELIER ? 'both' : 'first') : b >= LIKELIER ? 'second' : 'neither'
    field.values[i] = Number.isNaN(a + b) ? NaN : SIDES.indexOf(side)
  }
  return field
}

/**
 * Where it is not decided which of two links covers a place: 1 where no side has more chance than all others together.
 * What both share (the ground, shadowing, the zero of the prediction) is most of the doubt, so the weaker covers hardly
 * a place that the stronger does not, and the chance of one alone is the difference of their chances.
 */
export function undecidedField(first: Field, second: Field): Field {
  return where(first, (a, i) => {
    const b = second.values[i]!
    return Math.max(1 - Math.max(a, b), Math.abs(a - b), Math.min(a, b)) < LIKELIER
  })
}

/** A field that is 1 where something holds of a value and 0 where not. */
export function where(field: Field, holds: (value: number, i: number) => boolean): Field {
  return { ...field, values: field.values.map((v, i) => (holds(v, i) ? 1 : 0)) }
}
