import { normalQuantile } from '@/core/stats/numeric/normalQuantile'
import type { Answer } from '../answer/types'

/** One question asked from one place of the base. */
export interface AskedFrom {
  /** The trial. */
  id: string
  /** What the place is called. */
  place: string
  answer: Pick<Answer, 'axis' | 'lines'>
  /** The rigs of each link, by which it is known again elsewhere. */
  rigs: Record<string, string>
}

/** How many times as far a link gets from one place as from another. */
export interface PlacePair {
  linkId: string
  name: string
  from: string
  than: string
  /** Null where an end is open. */
  times: { estimate: number; low: number; high: number | null } | null
  verdict: 'farther' | 'nearer' | 'cannot tell'
}

interface Size {
  value: number | null
  low: number | null
  high: number | null
}

/** Distances are compared on a logarithmic scale. */
const lg = (m: number | null) => (m === null || m <= 0 ? null : Math.log(m))

/**
 * Ratio of two distances that were found apart, from their own intervals: the method of variance estimates recovery
 * (Zou and Donner 2008) on logarithms, which needs no more than estimates and limits. An end that is open there is
 * open here.
 * @param widen half widths are multiplied by it, so that several comparisons hold together
 */
export function ratioOf(a: Size, b: Size, widen: number): PlacePair['times'] {
  const [ea, eb] = [lg(a.value), lg(b.value)]
  if (ea === null || eb === null) return null
  const [la, ua, lb, ub] = [lg(a.low), lg(a.high), lg(b.low), lg(b.high)]
  const d = ea - eb
  const reach = (x: number | null, y: number | null) =>
    x === null || y === null ? null : widen * Math.hypot(x, y)
  const down = reach(la === null ? null : ea - la, ub === null ? null : ub - eb)
  const up = reach(ua === null ? null : ua - ea, lb === null ? null : eb - lb)
  return {
    estimate: Math.exp(d),
    low: down === null ? 0 : Math.exp(d - down),
    high: up === null ? null : Math.exp(d + up),
  }
}

/** Which of two gets farther, also where one of them was never lost, or never heard. */
function verdictOf(a: Size, b: Size, times: PlacePair['times']): PlacePair['verdict'] {
  const farther = times ? times.low > 1 : a.low !== null && b.high !== null && a.low > b.high
  const nearer = times
    ? times.high !== null && times.high < 1
    : a.high !== null && b.low !== null && a.high < b.low
  return farther ? 'farther' : nearer ? 'nearer' : 'cannot tell'
}

/** The 90 % of a single interval, one side. */
const TAIL = 0.05

/**
 * The first place against each other one, link by link: what was found there apart, put beside each other. All of the
 * comparisons hold together at 90 in a hundred (Bonferroni).
 * @returns empty where no link was tried from two places, or its distances are no distances
 */
export function acrossPlaces(asked: readonly AskedFrom[]): PlacePair[] {
  const told = asked.filter((p) => p.answer.axis?.unit === 'm')
  const [first, ...others] = told
  if (!first) return []
  const met = others.flatMap((other) =>
    first.answer.lines.flatMap((a) => {
      const b = other.answer.lines.find((l) => other.rigs[l.linkId] === first.rigs[a.linkId])
      return b ? [{ a, b, other }] : []
    }),
  )
  const widen = met.length > 1 ? normalQuantile(1 - TAIL / met.length) / normalQuantile(1 - TAIL) : 1
  return met.map(({ a, b, other }) => {
    const times = ratioOf(a, b, widen)
    return {
      linkId: a.linkId,
      name: a.name,
      from: first.place,
      than: other.place,
      times,
      verdict: verdictOf(a, b, times),
    }
  })
}

const times = (v: number) => (v >= 10 ? v.toFixed(0) : v.toFixed(1))

/** A comparison of two places in a sentence. */
export function placePairWords(p: PlacePair): string {
  const range = p.times
    ? `${times(p.times.low)} ${p.times.high === null ? 'or more' : `to ${times(p.times.high)}`} times as far`
    : ''
  if (p.verdict === 'cannot tell')
    return `${p.name}: cannot tell ${p.from} from ${p.than} yet${range ? ` (${range})` : ''}.`
  const [better, worse] = p.verdict === 'farther' ? [p.from, p.than] : [p.than, p.from]
  if (!p.times) return `${p.name} gets farther from ${better} than from ${worse}.`
  const turned =
    p.verdict === 'farther'
      ? p.times
      : {
          estimate: 1 / p.times.estimate,
          low: 1 / p.times.high!,
          high: p.times.low > 0 ? 1 / p.times.low : null,
        }
  const bounds =
    turned.high === null ? `${times(turned.low)} or more` : `${times(turned.low)} to ${times(turned.high)}`
  return `${p.name} gets ${times(turned.estimate)} times as far from ${better} as from ${worse} (${bounds}).`
}
