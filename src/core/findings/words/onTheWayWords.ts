import { edgeReach } from '@/core/reach/edgeReach'
import { distanceText, type Units } from '@/core/units'
import type { EdgeInterval, SaidOfPair } from '../reach/onTheWay'

/** Where a link was lost, in a sentence. */
export function edgeWords(e: EdgeInterval, name: (id: string) => string, units: Units): string {
  const show = (m: number) => distanceText(m, units)
  const way = e.side === 'out' ? 'on the way out' : e.side === 'home' ? 'on the way home' : e.side
  const how = e.by === 'by ear' ? 'by ear' : 'walked to the edge'
  const again = e.again ? ', and heard again beyond' : ''
  const head = `${name(e.linkId)}, ${way}, ${how}:`
  if (e.lostByM === null) return `${head} not lost; heard at least to ${show(e.heardToM ?? 0)}.`
  if (e.heardToM === null) return `${head} lost by ${show(e.lostByM)}; nearer nothing was noted${again}.`
  return e.heardToM === e.lostByM
    ? `${head} lost at about ${show(e.lostByM)}${again}.`
    : `${head} lost between ${show(e.heardToM)} and ${show(e.lostByM)}${again}.`
}

/**
 * Reach by walks to the edge, put together by link: an interval-censored log-normal whose spread has a prior
 * of its own.
 */
export function edgeReachWords(
  edges: readonly EdgeInterval[],
  name: (id: string) => string,
  units: Units,
): string[] {
  const show = (m: number) => distanceText(m, units)
  return [...new Set(edges.map((e) => e.linkId))].flatMap((linkId) => {
    const found = edgeReach(edges.filter((e) => e.linkId === linkId))
    if (!found) return []
    const walks = found.walks === 1 ? 'one walk' : `${found.walks} walks`
    const size =
      found.lowM !== null && found.highM !== null
        ? `about ${show(found.medianM)} (${show(found.lowM)} to ${show(found.highM)}), nine times in ten at least ${show(found.ninetyM)}`
        : found.lowM !== null
          ? `at least ${show(found.lowM)}: it was never lost`
          : `less than ${show(found.highM!)}: it was never heard`
    return [`By ${walks} to the edge ${name(linkId)} reaches ${size}.`]
  })
}

/** What was said on quick switches, in a sentence; one or two walks and a few words carry no verdict by themselves. */
export function saidWords(s: SaidOfPair, name: (id: string) => string): string {
  const marks = s.better + s.alike + s.worse
  const counts = `${name(s.a)} better at ${s.better}, alike at ${s.alike}, ${name(s.b)} better at ${s.worse} of ${marks} marks`
  if (s.p === null) return `On a quick switch: ${counts}; too few for a verdict.`
  const verdict =
    s.p < 0.05 ? `${name(s.better > s.worse ? s.a : s.b)} is better` : 'neither is told to be better'
  return `On a quick switch: ${counts}; ${verdict} (exact sign test p = ${s.p < 0.001 ? 'below 0.001' : s.p.toFixed(3)}).`
}
