import { countText } from '@/core/units'
import { saidOfPairs, type SaidOfPair } from '../onTheWay/switches'
import { placesText } from '../onTheWay/onTheWayWords'
import { otherStationsWords } from '../breakdown/breakdownWords'
import type { AnswerCore, AnswerFrom, AnswerLine } from './types'

/** The answer of comparisons alone, said on quick switches or by other stations: relative, and no reach. */
export function answerBySwitches(from: AnswerFrom): AnswerCore | null {
  const { log, link, findings } = from
  const said = saidOfPairs(log)
  if (said.length === 0 && findings.stations.length === 0) return null
  const [first] = [...said].sort((a, b) => (a.p ?? 1) - (b.p ?? 1))
  const stations = findings.stations.map((s) => otherStationsWords(s, link))
  const reports = said.reduce((n, s) => n + s.reports, 0)
  const marks = said.reduce((n, s) => n + s.better + s.alike + s.worse, 0)
  const strangers = said.reduce((n, s) => n + s.stations, 0)
  const open = said.filter((s) => s.p === null || s.p >= 0.05)
  return {
    basis: 'switches',
    lead: first ? leadOf(first, link) : stationLead(from),
    detail: [...said.filter((s) => s !== first).map((s) => leadOf(s, link)), ...stations].slice(0, 4),
    axis: said.length > 0 ? { unit: 'share', label: 'share of the marks at which it was better' } : null,
    lines: said.length > 0 ? linesOf(said, from) : [],
    sure:
      said.length > 0
        ? `From ${countText(reports, 'comparison')} at ${placesText({ stations: strangers }, marks)}, each counted once. It says which is better, not by how much, and nothing of reach.`
        : 'From other stations’ reports alone: which is better, and nothing of reach. Their power, place and meter are not ours.',
    settle: open.length > 0 ? 'A switch at each of six more marks could settle it.' : null,
    copied: null,
  }
}

function leadOf(s: SaidOfPair, link: (id: string) => string): string {
  const marks = s.better + s.alike + s.worse
  const [a, b] = [link(s.a), link(s.b)]
  if (s.p !== null && s.p < 0.05) {
    const [best, other, won] = s.better > s.worse ? [a, b, s.better] : [b, a, s.worse]
    return `${best} is better than ${other} on a quick switch: at ${won} of ${placesText(s, marks)}${s.alike > 0 ? `, alike at ${s.alike}` : ''}.`
  }
  return `Cannot tell ${a} from ${b} by quick switches yet: ${a} was better at ${s.better}, ${b} at ${s.worse}, alike at ${s.alike}.`
}

function stationLead({ findings, link }: AnswerFrom): string {
  const sure = findings.stations.find((s) => s.p !== null && s.p < 0.05)
  if (!sure) {
    const [s] = findings.stations
    return `Cannot tell ${link(s!.a)} from ${link(s!.b)} by what other stations said.`
  }
  const [best, other] = sure.wins > sure.losses ? [sure.a, sure.b] : [sure.b, sure.a]
  return `${link(best)} is better than ${link(other)} by what other stations said.`
}

/** Marks won of those where it was compared; a draw is half of one. */
function linesOf(said: readonly SaidOfPair[], { plan }: AnswerFrom): AnswerLine[] {
  return plan.links
    .flatMap(({ id, letter, name }) => {
      const own = said.filter((s) => s.a === id || s.b === id)
      const [won, alike, lost] = own.reduce(
        ([w, d, l], s) => [
          w + (s.a === id ? s.better : s.worse),
          d + s.alike,
          l + (s.a === id ? s.worse : s.better),
        ],
        [0, 0, 0],
      )
      const all = won + alike + lost
      if (all === 0) return []
      return [
        {
          linkId: id,
          letter,
          name,
          text: `better at ${won}, alike at ${alike}, worse at ${lost} of ${placesText({ stations: own.reduce((n, s) => n + s.stations, 0) }, all)}`,
          value: (won + alike / 2) / all,
          low: null,
          high: null,
          note: '',
          ways: [],
        },
      ]
    })
    .sort((a, b) => b.value - a.value)
}
