import type { Scale } from '@/core/reports/scale'
import { listenerOf } from '@/core/kit/rig/rig'
import { aboutDistanceText, figureText } from '@/core/units'
import type { Findings } from '../findings'
import { inOrder, type LevelHere } from '../standing/standings'
import { signed } from '../words/phrases'
import type { JudgedPair } from '../compare/verdict'
import { crossingWords } from '../words/trendWords'
import { verdictWords } from '../words/words'
import type { AnswerCore, AnswerFrom, AnswerLine, AnswerSpan } from './types'
import { orderLead } from './orderLead'
import { headlinePairs, settleWords } from './pairsWords'
import { sureWords } from './sureWords'

/** The answer of a log from one place, or by way of the sky: which is stronger, and nothing of distance. */
export function answerByLevel(from: AnswerFrom): AnswerCore {
  const { findings, plan, link } = from
  const { standings } = findings
  const ahead = aheadByDistance(from)
  return {
    basis: 'level',
    ...leadOf(from),
    axis: ahead
      ? { unit: 'm', label: 'where it is ahead', key: 'solid surely, hatched perhaps' }
      : standings && standings.unit !== 'none'
        ? { unit: standings.unit, label: 'level against the mean of them all' }
        : null,
    lines: ahead ?? linesOf(from),
    sure: sureWords(findings, plan),
    settle: settleWords(headlinePairs(findings), link),
    copied: null,
  }
}

function leadOf(from: AnswerFrom): Pick<AnswerCore, 'lead' | 'detail'> {
  const { findings, link, plan, units } = from
  const pairs = headlinePairs(findings)
  if (pairs.length === 0) {
    const [only] = plan.links
    return {
      lead: only ? `Only ${only.name} was tried, so nothing is compared.` : 'No rig was compared.',
      detail: [],
    }
  }
  if (pairs.length === 1) {
    const [pair] = pairs as [JudgedPair]
    const { lead, rest } = verdictWords(pair, link)
    const places = crossingWords(pair, units)
    return { lead: `${lead}.`, detail: [places, rest].filter(Boolean) }
  }
  return from.findings.standings?.unit === 'none'
    ? orderLead(from, 'is heard best', 'is heard least')
    : orderLead(from, 'is heard strongest', 'is heard weakest')
}

function linesOf({ plan, findings }: AnswerFrom): AnswerLine[] {
  const unit = findings.standings?.unit ?? 'none'
  return inOrder(plan.links, findings.standings).map(({ id, letter, name }) => {
    const standing = findings.standings?.links.find((s) => s.linkId === id)
    const here = findings.levelsHere.filter((l) => l.linkId === id)
    const absolute = here.map((l) => levelText(l, plan.scales[listenerOf(l.direction)], here.length > 1))
    const relative = !standing
      ? 'too little was logged of it'
      : unit === 'none'
        ? heardText(findings, id)
        : `${signed(standing.estimate)} ${unit} (${signed(standing.low)} to ${signed(standing.high)}) against the mean`
    return {
      linkId: id,
      letter,
      name,
      text: absolute.length > 0 ? absolute.join(', ') : relative,
      ...(standing && unit !== 'none'
        ? { value: standing.estimate, low: standing.low, high: standing.high }
        : { value: null, low: null, high: null }),
      note: '',
      ways: [],
    }
  })
}

/** How often a link was copied, direction by direction: "copied in 12 of 14 checks to base". */
function heardText({ reaches }: Findings, linkId: string): string {
  return reaches
    .filter((r) => r.linkId === linkId && r.checks > 0)
    .map(
      (r, i) =>
        `${i === 0 ? 'copied in ' : ''}${r.copied} of ${r.checks}${i === 0 ? ' checks' : ''} ${r.direction}`,
    )
    .join(', ')
}

/** Where each of two is ahead, stretch by stretch of the distance; null where no trend was worked out, or of more than two. */
function aheadByDistance({ findings, plan, units }: AnswerFrom): AnswerLine[] | null {
  const [pair, ...more] = headlinePairs(findings)
  if (findings.where !== 'sky' || !pair?.trend || more.length > 0) return null
  const { band } = pair.trend
  const at = (i: number) => 10 ** ((band[Math.max(0, i)]!.x + band[Math.min(band.length - 1, i + 1)]!.x) / 2)
  return ([pair.a, pair.b] as const).flatMap((id, side) => {
    const link = plan.links.find((l) => l.id === id)
    if (!link) return []
    const sign = side === 0 ? 1 : -1
    const spans = band.reduce<AnswerSpan[]>((all, b, i) => {
      const [worst, middle] = sign > 0 ? [b.low, b.median] : [-b.high, -b.median]
      if (middle <= 0) return all
      const means = worst > 0 ? ('clear' as const) : ('broken' as const)
      const [fromM, toM] = [i === 0 ? 10 ** b.x : at(i - 1), i === band.length - 1 ? 10 ** b.x : at(i)]
      const last = all.at(-1)
      return last?.means === means && last.toM !== null && Math.abs(last.toM - fromM) < 1
        ? [...all.slice(0, -1), { ...last, toM }]
        : [...all, { means, fromM, toM }]
    }, [])
    const show = (m: number) => aboutDistanceText(m, units)
    const said = spans.map(
      (s) => `${s.means === 'clear' ? 'surely' : 'perhaps'} from ${show(s.fromM)} to ${show(s.toM!)}`,
    )
    return [
      {
        linkId: id,
        letter: link.letter,
        name: link.name,
        text: said.length > 0 ? `ahead ${said.join(', ')}` : 'nowhere ahead',
        value: null,
        low: null,
        high: null,
        note: '',
        ways: spans.length > 0 ? [{ name: '', text: '', spans }] : [],
      },
    ]
  })
}

/** A level as its listener's scale has it: "−97 dBm (−99 to −95)", "S7.3 (6.8 to 7.9)". */
function levelText({ level, low, high, direction }: LevelHere, scale: Scale, which: boolean): string {
  const at = which ? ` ${direction}` : ''
  if (scale.kind === 'level')
    return `${figureText(level)} ${scale.unit} (${figureText(low)} to ${figureText(high)})${at}`
  const meter = 'strength' in scale ? scale.strength : null
  const step = meter?.stepDb ?? 4.5
  const units = (db: number) => figureText(9 + db / step)
  return level <= 0
    ? `S${units(level)} (${units(low)} to ${units(high)})${at}`
    : `S9 and ${figureText(level)} dB (${figureText(low)} to ${figureText(high)})${at}`
}
