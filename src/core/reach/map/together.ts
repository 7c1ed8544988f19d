import type { ReachMapMaker } from './chanceField'
import { emptyField, fieldPlace, nearestTo, type Field } from './mapRaster'
import { ringsWithin } from './mapRings'
import { SPECK, type MapLayer, type ReachMapAsk } from './reachMap'

/**
 * Of several fields about bases of their own the highest value at each place of the first one's, and the second
 * highest; 0 for a base whose ground is not known to there, unknown where that is so of all.
 */
export function bestTwo(fields: readonly Field[]): { best: Field; second: Field } {
  const { raster, every } = fields[0]!
  const [best, second] = [emptyField(raster, every), emptyField(raster, every)]
  for (let i = 0; i < best.values.length; i++) {
    const place = fieldPlace(best, i)
    let [high, next, known] = [0, 0, false]
    for (const field of fields) {
      const cell = nearestTo(field, place)
      const value = cell < 0 ? NaN : field.values[cell]!
      if (Number.isNaN(value)) continue
      known = true
      if (value > high) [high, next] = [value, high]
      else if (value > next) next = value
    }
    if (known) [best.values[i], second.values[i]] = [high, next]
  }
  return { best, second }
}

/**
 * What a link covers from several bases together: where a call comes through to one of them as often as is asked for,
 * and to two.
 * @param makers of the maps about each base; the first one's is drawn
 */
export function togetherLayers(
  makers: readonly ReachMapMaker[],
  { links, directions, settings, reliability, every }: ReachMapAsk,
): MapLayer[] {
  const { best, second } = bestTwo(makers.map((m) => m.chance(links[0]!, directions, settings, every)))
  return [
    { kind: 'chance', level: reliability, rings: ringsWithin(best, reliability, SPECK) },
    { kind: 'twice', level: reliability, rings: ringsWithin(second, reliability, SPECK) },
  ]
}
