import { countText, distanceText, type Units } from '@/core/units'
import type { RunLog, TrialPlan } from '@/core/trial'
import { earTracks, type EarTrack } from './earTracks'
import { edgeIntervals, type EdgeInterval } from './edges'
import type { SaidOfPair } from './switches'

type Name = (id: string) => string

/** Where a walk lost a link, in a sentence. */
export function edgeWords(e: EdgeInterval, name: Name, leg: Name, units: Units): string {
  const show = (m: number) => distanceText(m, units)
  const where = e.legId === null ? '' : ` on ${leg(e.legId)}`
  const way = e.side === 'out' ? 'on the way out' : e.side === 'home' ? 'on the way home' : e.side
  const padded = e.attenuationDb > 0 ? ` with ${e.attenuationDb} dB put in` : ''
  const again = e.again ? ', and heard again beyond' : ''
  const head = `${name(e.linkId)}${where}, ${way}${padded}:`
  if (e.lostByM === null) return `${head} not lost; heard at least to ${show(e.heardToM ?? 0)}.`
  if (e.heardToM === null) return `${head} lost by ${show(e.lostByM)}; nothing was noted nearer${again}.`
  return e.heardToM === e.lostByM
    ? `${head} lost at about ${show(e.lostByM)}${again}.`
    : `${head} lost between ${show(e.heardToM)} and ${show(e.lostByM)}${again}.`
}

const HEARD = { clear: 'clear', broken: 'broken', lost: 'lost' } as const

/** How a link was heard along a way, in a phrase: "clear to 1.8 km, broken to 2.4 km, lost beyond". */
export function earPhrase({ way, spans }: EarTrack, units: Units): string {
  const show = (m: number) => distanceText(m, units)
  const joined = spans.reduce<
    { means: EarTrack['spans'][number]['means']; fromM: number; toM: number | null }[]
  >((all, { means, fromM, toM }) => {
    const last = all.at(-1)
    if (last?.means !== means) return [...all, { means, fromM, toM }]
    const far = last.toM === null || toM === null ? null : Math.max(last.toM, toM)
    return [...all.slice(0, -1), { means, fromM: Math.min(last.fromM, fromM), toM: far }]
  }, [])
  return joined
    .map(({ means, fromM, toM }) => {
      if (way === 'home') return `${HEARD[means]} in to ${fromM > 0 ? show(fromM) : 'the base'}`
      return toM === null ? `${HEARD[means]} beyond` : `${HEARD[means]} to ${show(toM)}`
    })
    .join(', ')
}

/** The same as a sentence, with the way and the side. */
function earWords(track: EarTrack, name: Name, units: Units): string {
  const side = track.legName ? ` on ${track.legName}` : ''
  return `${name(track.linkId)}${side}, on the way ${track.way}: ${earPhrase(track, units)}.`
}

/** Every drive by ear and every walk to the edge, a sentence each. */
export function walkWords(plan: TrialPlan, log: RunLog, name: Name, leg: Name, units: Units): string[] {
  return [
    ...earTracks(plan, log).map((t) => earWords(t, name, units)),
    ...edgeIntervals(plan, log)
      .filter((e) => e.by === 'walked')
      .map((e) => edgeWords(e, name, leg, units)),
  ]
}

/** "4 marks", or with other stations among them "6 listeners", each counted once. */
export const placesText = (s: Pick<SaidOfPair, 'stations'>, count: number) =>
  countText(count, s.stations > 0 ? 'listener' : 'mark')

/** What was said on quick switches, in a sentence; a few words carry no verdict by themselves. */
export function saidWords(s: SaidOfPair, name: Name): string {
  const marks = s.better + s.alike + s.worse
  const counts = `${name(s.a)} better at ${s.better}, alike at ${s.alike}, ${name(s.b)} better at ${s.worse} of ${placesText(s, marks)}`
  if (s.p === null) return `On a quick switch: ${counts}; too few for a verdict.`
  const verdict =
    s.p < 0.05 ? `${name(s.better > s.worse ? s.a : s.b)} is better` : 'neither is told to be better'
  return `On a quick switch: ${counts}; ${verdict} (exact sign test p = ${s.p < 0.001 ? 'below 0.001' : s.p.toFixed(3)}).`
}
