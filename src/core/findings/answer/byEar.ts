import { countText, distanceInterval, distanceText } from '@/core/units'
import { earTracks, type EarTrack } from '../onTheWay/earTracks'
import { earPhrase } from '../onTheWay/onTheWayWords'
import type { AnswerCore, AnswerFrom, AnswerLine } from './types'
import { walkOrderWords } from './walkOrderWords'

const wayName = ({ way, legName }: EarTrack) => `${way}${legName ? `, ${legName}` : ''}`

/** The answer of a drive by ear: heard clearly to here, broken to there, on each way and side. Null where nothing changed. */
export function answerByEar(from: AnswerFrom): AnswerCore | null {
  const { plan, log, link, units } = from
  const tracks = earTracks(plan, log)
  if (tracks.length === 0) return null
  const links = [...new Set(tracks.map((t) => t.linkId))]
  const walks = from.walks['by ear']
  const order = walks?.reaches.map((r) => r.link) ?? []
  const at = (id: string) => (order.includes(id) ? order.indexOf(id) : order.length)
  links.sort((a, b) => at(a) - at(b))
  const told =
    walks && walks.reaches.length > 1
      ? walkOrderWords(walks, link, 'is heard farthest', 'is lost first')
      : null
  const sides = sideWords(tracks, from)
  const first = tracks.find((t) => t.linkId === links[0])!
  return {
    basis: 'by ear',
    lead: told ? `${told.lead}.` : `${link(first.linkId)}, ${wayName(first)}: ${earPhrase(first, units)}.`,
    detail: [...(told?.more ?? []), ...sides],
    axis: { unit: 'm', label: 'how it was heard', key: 'solid clear, hatched broken, dashed lost' },
    lines: links.map((id) =>
      lineOf(
        id,
        tracks.filter((t) => t.linkId === id),
        from,
      ),
    ),
    sure: earSure(tracks),
    settle:
      tracks.length < 4 ? 'One drive tells one day: drive it again, both ways, before counting on it.' : null,
    copied: null,
  }
}

function lineOf(id: string, tracks: readonly EarTrack[], { plan, units }: AnswerFrom): AnswerLine {
  const link = plan.links.find((l) => l.id === id)
  return {
    linkId: id,
    letter: link?.letter ?? '',
    name: link?.name ?? 'another rig',
    text: '',
    value: null,
    low: null,
    high: null,
    note: '',
    ways: tracks.map((t) => ({
      name: wayName(t),
      text: earPhrase(t, units),
      spans: t.spans.map(({ means, fromM, toM }) => ({ means, fromM, toM })),
    })),
  }
}

/** Where it was lost on each side of the hill, over all links and both ways; empty of one side. */
function sideWords(tracks: readonly EarTrack[], { units }: AnswerFrom): string[] {
  const sides = [...new Set(tracks.flatMap((t) => (t.legName === null ? [] : [t.legName])))]
  if (sides.length < 2) return []
  const show = (m: number) => distanceText(m, units)
  const range = (v: number[]) => {
    const [low, high] = [Math.min(...v), Math.max(...v)]
    return show(low) === show(high) ? show(low) : distanceInterval(low, high, show)
  }
  return sides.map((side) => {
    const lost = tracks
      .filter((t) => t.legName === side)
      .flatMap((t) => t.spans.filter((s) => s.means === 'lost').map((s) => s.fromM))
    return lost.length === 0 ? `${side}: never lost.` : `${side}: lost from ${range(lost)}.`
  })
}

function earSure(tracks: readonly EarTrack[]): string {
  const changes = tracks.reduce((n, t) => n + t.spans.length, 0)
  return `From ${countText(changes, 'change')} by ear on ${countText(tracks.length, 'way')}. A change is noted a little late; one drive is one day and one piece of ground.`
}
