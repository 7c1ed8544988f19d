import type { Direction, Link } from '@/core/kit/rig/rig'
import { areaFigure, areaText, percentText, type Units } from '@/core/units'
import { stateWords } from '../correction/stateWords'
import { oneWays } from './oneWays'
import type { Share } from './jointDraws'
import type { Covered, MapLayer, ReachMap } from './reachMap'

/** A share of the map as an area with its interval. */
function areaShareText(share: Share, km2: number, units: Units): string {
  const of = (v: number) => areaFigure(v * km2, units)
  return `${areaText(share.median * km2, units)} (${of(share.low)} to ${of(share.high)})`
}

/** A share as a percentage with its interval. */
export const shareText = (share: Share) => `${percentText(share.median)} ${shareRange(share)}`

/** Where a share lies nine times in ten. */
export const shareRange = ({ low, high }: Share) => `(${Math.round(100 * low)} to ${Math.round(100 * high)})`

/** What is to be covered, as it is spoken of. */
export const toCoverWords = (areas: readonly unknown[], map: Pick<ReachMap, 'land'> | null) =>
  areas.length > 0 ? 'the areas to be covered' : map?.land ? 'the land on the map' : 'the map'

/** What of an area that is to be covered each link covers, the most first. */
export function areaSentence(
  area: Pick<Covered, 'links'>,
  name: string,
  links: readonly string[],
  reliability: number,
): string {
  const order = area.links
    .map((share, i) => ({ share, of: links[i]! }))
    .sort((a, b) => b.share.median - a.share.median)
  const said = order.map(({ share, of }) => `${of} covers ${shareText(share)}`).join(', ')
  return `Of ${name}, ${said}, with ${Math.round(100 * reliability)} of 100 calls.`
}

/** Less of the map than this is no ground to speak of. */
const NOTHING = 0.005

/** What the map says, first: what a link covers, or which of two wins ground. */
export function mapSentence(
  map: Pick<ReachMap, 'whole' | 'knownKm2' | 'land'>,
  names: readonly string[],
  reliability: number,
  units: Units,
): string {
  const calls = `${Math.round(100 * reliability)} of 100 calls`
  const { whole, knownKm2, land } = map
  const area = (share: Share) => areaShareText(share, knownKm2, units)
  const ground = land ? ' of land' : ''
  if (!whole.alone)
    return `${names[0]} covers ${area(whole.links[0]!)} of the ${areaText(knownKm2, units)}${ground} shown: ${calls} come through there.`
  const { first, second } = whole.alone
  const [a, b] = [names[0]!, names[1]!]
  if (first.high < NOTHING && second.high < NOTHING)
    return `${a} and ${b} cover the same ground: neither wins any.`
  if (first.low > second.high)
    return second.high < NOTHING
      ? `${a} wins ${area(first)}${ground} that ${b} does not cover, and loses none.`
      : `${a} wins ${area(first)}${ground} that ${b} does not cover, and loses ${area(second)}.`
  if (second.low > first.high)
    return first.high < NOTHING
      ? `${b} wins ${area(second)}${ground} that ${a} does not cover, and loses none.`
      : `${b} wins ${area(second)}${ground} that ${a} does not cover, and loses ${area(first)}.`
  return `Not decided: ${a} alone covers ${area(first)}${ground}, ${b} alone ${area(second)}.`
}

const WAY_WORDS = { 'to base': 'to base', 'from base': 'from base', both: 'the worse of both ways' }

/** What a map was made with, for whoever meets it without the page: in one line for each thing. */
export function mapFacts(
  links: readonly Link[],
  directions: readonly Direction[],
  reliability: number,
  correction: { checks: number; marks: number } | null,
): string[] {
  const ways = oneWays(directions)
  const way = ways.length > 1 ? WAY_WORDS.both : WAY_WORDS[ways[0]!]
  return [
    ...links.map(
      ({ letter, name, out, base }) =>
        `${letter}, ${name}: ${Number(out.powerW.toPrecision(3))} W at ${Number(out.antennaHeightM.toFixed(1))} m, base at ${Number(base.antennaHeightM.toFixed(1))} m, ${Number(out.txMHz.toPrecision(6))} MHz`,
    ),
    `${way}, ${Math.round(100 * reliability)} of 100 calls`,
    stateWords(correction),
  ]
}

/** The pieces of a map by name, for files. */
export function layerName(layer: MapLayer, links: readonly Link[]): string {
  const [a, b] = [links[0]!.letter, links[1]?.letter ?? '']
  if (layer.kind === 'chance') return `${a}: ${percentText(layer.level)} of calls or more`
  if (layer.kind === 'twice') return `${a}: ${percentText(layer.level)} of calls or more to two bases`
  if (layer.kind === 'undecided') return 'not decided'
  if (layer.kind === 'guess') return 'far from what was logged: the prediction alone'
  return {
    first: `only ${a} covers it`,
    second: `only ${b} covers it`,
    both: `${a} and ${b} cover it`,
    neither: 'not covered',
  }[layer.side]
}
