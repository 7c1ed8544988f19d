import { matrixWords } from '../breakdown/breakdownWords'
import type { Matrix } from '../breakdown/matrix'
import { capital, tenths } from '../words/phrases'
import { ladderOf, stepWords, type LadderStep } from '../compare/ladder'
import type { JudgedPair } from '../compare/verdict'
import { crossingWords } from '../words/trendWords'
import { aboutDistanceText } from '@/core/units'
import { chanceInWords, reachText, takenOut, throughWords, verdictWords } from '../words/words'
import type { AnswerCore, AnswerFrom, AnswerLine } from './types'
import { orderLead } from './orderLead'
import { inOrder } from '../standing/standings'
import { headlinePairs, settleWords } from './pairsWords'
import { sureWords } from './sureWords'

/** Of what each thing brought, before the places tell the rest. */
const MOST_SENTENCES = 4

/** The answer of a log of checks along ways: how far each reaches, and which is better. */
export function answerByReach(from: AnswerFrom): AnswerCore {
  const { plan, findings, reliability, link } = from
  const pairs = headlinePairs(findings)
  return {
    basis: 'reach',
    ...leadOf(from),
    axis: { unit: 'm', label: `reach, ${chanceInWords(reliability)}` },
    lines: linesOf(from),
    sure: sureWords(findings, plan),
    settle: settleWords(pairs, link),
    copied: findings.copyRuleInWords,
  }
}

function linesOf({ plan, findings, reliability, units }: AnswerFrom): AnswerLine[] {
  return inOrder(plan.links, findings.standings).map(({ id, letter, name }): AnswerLine => {
    const usable = findings.usable.find((u) => u.linkId === id && u.chance === reliability)
    const line = { linkId: id, letter, name, note: '', ways: [] }
    if (!usable) return { ...line, text: 'how far is not known', value: null, low: null, high: null }
    const { reach, limitedBy } = usable
    const weaker = limitedBy && reach.seen === 'some copied' ? `${limitedBy} is the weaker way` : ''
    const through = findings.levels?.through
      .find((t) => t.linkId === id)
      ?.reaches.find((r) => r.chance === reliability)
    return {
      ...line,
      text: reachText(reach, units),
      note: [weaker, through ? throughWords(through, reliability, units) : ''].filter(Boolean).join('. '),
      value: reach.seen === 'some copied' ? reach.estimateM : null,
      low: reach.seen === 'too few marks' ? null : reach.lowM,
      // Copied at every mark, it reaches so far or farther: nothing bounds it.
      high: reach.seen === 'some copied' || reach.seen === 'none copied' ? reach.highM : null,
    }
  })
}

function leadOf(from: AnswerFrom): Pick<AnswerCore, 'lead' | 'detail'> {
  const { plan, findings, reliability, units } = from
  const pairs = headlinePairs(findings)
  const sameOfAll = pairs.length > 0 ? sameLead(from, pairs) : null
  if (sameOfAll) return { lead: sameOfAll, detail: [] }
  const ladder = ladderOf(plan.links, pairs)
  if (ladder.length > 0) return ladderLead(ladder)
  const crossed = findings.matrix && matrixLead(findings.matrix)
  if (crossed) return crossed
  if (pairs.length === 0) {
    const [only] = plan.links
    const usable = findings.usable.find((u) => u.linkId === only?.id && u.chance === reliability)
    const text = usable ? reachText(usable.reach, units) : 'how far is not known'
    return {
      lead: only ? `${only.name}: ${text}, ${chanceInWords(reliability)}.` : 'No rig was compared.',
      detail: [],
    }
  }
  return pairs.length === 1
    ? pairLead(pairs[0]!, from)
    : orderLead(from, 'reaches farthest', 'reaches least far')
}

/** Where all were copied at every mark, or none at any, and nothing else tells them apart: that, and no order. */
function sameLead({ findings, reliability, units }: AnswerFrom, pairs: readonly JudgedPair[]): string | null {
  const reaches = findings.usable.filter((u) => u.chance === reliability).map((u) => u.reach)
  const [first] = reaches
  if (!first || pairs.some((p) => p.verdict.kind !== 'cannot tell')) return null
  const show = (m: number) => aboutDistanceText(m, units)
  if (reaches.every((r) => r.seen === 'none copied'))
    return `Nothing was copied from any of them, not even at the nearest mark, ${show(first.nearestM)}.`
  if (reaches.every((r) => r.seen === 'all copied'))
    return `All of them were copied at every mark, out to ${show(first.farthestM)}: the edge lies farther out.`
  return null
}

const disagreements = ({ findings }: AnswerFrom) =>
  headlinePairs(findings).flatMap((p) => (p.disagreement ? [p.disagreement] : []))

function pairLead(pair: JudgedPair, from: AnswerFrom): Pick<AnswerCore, 'lead' | 'detail'> {
  const { lead, rest } = verdictWords(pair, from.link)
  const out = takenOut(pair)
  const even = out && pair.verdict.kind !== 'cannot tell' ? `That is with ${out} taken out.` : ''
  const places = crossingWords(pair, from.units)
  const turned = turnedWords(pair, from)
  return { lead: `${lead}.`, detail: [places, rest, even, turned, ...disagreements(from)].filter(Boolean) }
}

/**
 * Where the better of two, by both directions in the mean, does not reach farther both ways together, which its weaker
 * way decides.
 */
function turnedWords(pair: JudgedPair, { findings, link }: AnswerFrom): string {
  const { verdict } = pair
  const first = findings.standings?.links[0]?.linkId
  if (verdict.kind !== 'better' || first === undefined || takenOut(pair) !== '') return ''
  const winner = verdict.which === 'a' ? pair.a : pair.b
  return first === winner
    ? ''
    : `Both ways together ${link(first)} reaches no less far: what it lacks, it lacks in its stronger way.`
}

/** Of several things set differently, each with each: which brings most, then each in turn, and whether they add up. */
function matrixLead(matrix: Matrix): Pick<AnswerCore, 'lead' | 'detail'> | null {
  const { mains, interactions } = matrix
  if (mains.length < 2 || interactions.length === 0) return null
  const { unit } = matrix
  const size = (v: number) => (unit === 'none' ? 'something' : `${tenths(Math.abs(v))} ${unit}`)
  const sure = mains
    .filter((m) => m.holds)
    .sort((a, b) => Math.abs(b.effect.estimate) - Math.abs(a.effect.estimate))
    .map((m) => {
      const up = m.effect.estimate > 0
      const [over, under] = up ? [m.level, m.against] : [m.against, m.level]
      return `${capital(over)} brings ${size(m.effect.estimate)} over ${under}`
    })
  return {
    lead:
      sure.length > 0
        ? `${sure.join('; ')}.`
        : 'Nothing that was changed is sure to have brought anything yet.',
    detail: matrixWords(matrix).slice(0, MOST_SENTENCES),
  }
}

/** What of a ladder brought most, then every step in turn. */
function ladderLead(ladder: readonly LadderStep[]): Pick<AnswerCore, 'lead' | 'detail'> {
  const gain = ({ pair, sign }: LadderStep) =>
    sign *
    (pair.evened?.estimate ?? pair.joint?.steps?.estimate ?? Math.log10(pair.joint?.times?.estimate ?? 1))
  const sure = ladder
    .filter((s) => s.pair.verdict.kind === 'better')
    .sort((a, b) => Math.abs(gain(b)) - Math.abs(gain(a)))
  const most = sure[0]
  const alone = sure.length > 1 ? 'most' : 'something, and nothing else surely did'
  return {
    lead: most
      ? `${capital(most.after)} instead of ${most.before} ${gain(most) > 0 ? 'brought' : 'cost'} ${alone}.`
      : 'No step is sure to have brought anything yet.',
    detail: ladder.map(stepWords),
  }
}
