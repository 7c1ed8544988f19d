import type { EdgePrediction } from '@/core/reach'
import { andList, distanceText, type Units } from '@/core/units'

/** So many marks are named, more are counted. */
const NAMED = 4

const gapsText = ({ gaps }: EdgePrediction): string =>
  gaps.length > NAMED ? `${gaps.length} marks` : andList(gaps.map((m) => m.name))

function edgeText(e: EdgePrediction, name: string, units: Units): string {
  const at = distanceText(e.edgeM!, units)
  if (e.nearer) return `${name} is expected to be lost at the nearest mark already, at ${at}.`
  return `The edge of ${name} is expected near ${at}${e.gaps.length > 0 ? `, and a gap before it at ${gapsText(e)}` : ''}.`
}

/** Where the edges of links are expected on a leg, those before which it is lost and comes back named. */
export const edgeWords = (
  edges: readonly EdgePrediction[],
  name: (linkId: string) => string,
  units: Units,
): string =>
  edges
    .filter((e) => e.comes)
    .map((e) => edgeText(e, name(e.linkId), units))
    .join(' ')

/** Links whose edge does not come on a leg, with the gaps on the way, and what would bring it. Empty where there are none. */
export function noEdgeWords(edges: readonly EdgePrediction[], name: (linkId: string) => string): string {
  const never = edges.filter((e) => !e.comes)
  if (never.length === 0) return ''
  const through = never.filter((e) => e.gaps.length === 0)
  const broken = never.filter((e) => e.gaps.length > 0)
  const said = [
    ...(through.length > 0
      ? [`${andList(through.map((e) => name(e.linkId)))} should be heard all the way to the last mark`]
      : []),
    ...broken.map(
      (e) => `${name(e.linkId)} should be heard at the last mark, but likely not at ${gapsText(e)} before it`,
    ),
  ]
  const db = Math.ceil(Math.max(...never.map((e) => e.attenuationDb!)))
  return `${said.join('; ')}: the edge will not come. It would with ${db} dB of attenuation, as much less power, or a longer leg.`
}
