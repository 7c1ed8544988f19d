import { everyPair } from '@/core/everyPair'
import { groupedBy } from '@/core/groupedBy'
import { termDraws } from '@/core/model/answers'
import type { FindingsInput, ReadCheck } from '../input'
import { evenedDraws } from '../joint/evenedDraws'
import { beginWithTerms, effectOf, type Effect } from '../joint/effects'
import { unitOf, type DifferenceUnit, type JointFit } from '../joint/jointFit'

/** The difference between two links within one group of checks. */
interface DifferenceIn {
  group: string
  effect: Effect
  marks: number
}

/** How the difference between two links depends on something: leg, distance, kind of ground, time of day. */
export interface DifferenceBy {
  a: string
  b: string
  unit: DifferenceUnit
  within: DifferenceIn[]
  /** Groups between which it surely differs, and by how much; the surest first. */
  change: { from: string; to: string; effect: Effect } | null
  /** One link is surely better in one group and the other in another. */
  flips: boolean
}

const MIN_MARKS = 4
/** What a link is better or worse by in one group of checks, dB. */
const GROUP_SD_DB = 3

/** The groups that have enough marks, and how many. */
function groupsOf(
  checks: readonly ReadCheck[],
  groupOf: (check: ReadCheck) => string | null,
): Map<string, number> {
  const marks = [...groupedBy(checks, groupOf)].flatMap(([group, here]): [string, number][] =>
    group === null ? [] : [[group, new Set(here.map((c) => c.markId)).size]],
  )
  return new Map(marks.filter(([, n]) => n >= MIN_MARKS))
}

/** Indices of every two links that were tried. */
const pairsTried = ({ links }: FindingsInput, checks: readonly ReadCheck[]) =>
  everyPair(links.flatMap((l, i) => (checks.some((c) => c.linkId === l.id) ? [i] : [])))

/**
 * Differences of every pair of links by groups of checks, in the joint model: each link is a little better or worse in
 * each group than over all, N(0, 3²) dB, so that groups of few checks say little. A change is told at 5 in a
 * hundred over all pairs of groups and links together (Bonferroni), a flip only where both sides of it are sure by
 * themselves.
 * @param groupOf the group of a check; null leaves it in none
 * @returns what waits for them; none where fewer than two groups have four marks
 */
export function beginDifferencesBy(
  input: FindingsInput,
  checks: readonly ReadCheck[],
  joint: JointFit,
  groupOf: (check: ReadCheck) => string | null,
): () => DifferenceBy[] {
  const pairs = pairsTried(input, checks)
  const unused = new Set(joint.input.unused)
  const used = checks.filter((c) => !unused.has(c.id))
  const marksIn = groupsOf(used, groupOf)
  const groups = [...marksIn.keys()]
  if (pairs.length === 0 || groups.length < 2) return () => []
  const linkAt = new Map(input.links.map((l, i) => [l.id, i]))
  const term = (link: number, group: number) => link * groups.length + group
  const begun = beginWithTerms(input, checks, joint, {
    priors: input.links.flatMap(() => groups.map(() => ({ sdDb: GROUP_SD_DB }))),
    of: (c) => {
      const name = groupOf(c)
      const [link, group] = [linkAt.get(c.linkId), name === null ? -1 : groups.indexOf(name)]
      return link === undefined || group < 0 ? [] : [[term(link, group), 1]]
    },
  })
  return () => {
    const grouped = begun()
    const listeners = [...input.directions.keys()]
    const { unit, size } = unitOf(grouped, listeners)
    const { fit } = grouped
    const own = input.links.map((_, l) => groups.map((__, g) => termDraws(fit, term(l, g))))
    return pairs.map(([a, b]) => {
      const over = evenedDraws(input, fit, a, b, listeners)
      const draws = groups.map((_, g) => over.map((v, t) => v + own[a]![g]![t]! - own[b]![g]![t]!))
      return differenceIn(
        { a: input.links[a]!.id, b: input.links[b]!.id, unit },
        groups.map((group, g) => ({ group, draws: draws[g]!, marks: marksIn.get(group)! })),
        pairs.length,
        (d) => effectOf(fit, d, size),
      )
    })
  }
}

/** The difference of a pair by what its draws are in each group. @param pairs that are looked at besides */
function differenceIn(
  pair: Pick<DifferenceBy, 'a' | 'b' | 'unit'>,
  groups: readonly { group: string; draws: Float64Array; marks: number }[],
  pairs: number,
  effect: (draws: Float64Array) => Effect,
): DifferenceBy {
  const looks = (pairs * groups.length * (groups.length - 1)) / 2
  const within = groups.map(({ group, draws, marks }) => ({ group, effect: effect(draws), marks }))
  const changes = everyPair(groups)
    .map(([from, to]) => ({
      from: from.group,
      to: to.group,
      effect: effect(to.draws.map((v, t) => v - from.draws[t]!)),
    }))
    .filter((c) => c.effect.p * looks < 0.05)
    .sort((x, y) => x.effect.p - y.effect.p)
  const above = within.some((w) => w.effect.interval95.low > 0)
  const below = within.some((w) => w.effect.interval95.high < 0)
  return { ...pair, within, change: changes[0] ?? null, flips: changes.length > 0 && above && below }
}

/**
 * What is left of the changes where a log is asked several questions: each has to be as sure as if all of them had been
 * one, or one in twenty would be answered by chance.
 */
export const sureTogether = <T extends { pairs: DifferenceBy[] }>(questions: readonly T[]): T[] =>
  questions.map((q) => ({
    ...q,
    pairs: q.pairs.map((pair): DifferenceBy => {
      const groups = pair.within.length
      const looks = (questions.length * q.pairs.length * groups * (groups - 1)) / 2
      const sure = pair.change !== null && pair.change.effect.p * looks < 0.05
      return sure || pair.change === null ? pair : { ...pair, change: null, flips: false }
    }),
  }))

/** The same by direction, which the model tells apart already. */
export function differencesByDirection(
  input: FindingsInput,
  checks: readonly ReadCheck[],
  joint: JointFit,
): DifferenceBy[] {
  const pairs = pairsTried(input, checks)
  const marksIn = groupsOf(checks, (c) => c.direction)
  if (pairs.length === 0 || input.directions.length < 2 || marksIn.size < 2) return []
  const { unit, size } = unitOf(joint, [...input.directions.keys()])
  return pairs.map(([a, b]) =>
    differenceIn(
      { a: input.links[a]!.id, b: input.links[b]!.id, unit },
      input.directions.map((group, d) => ({
        group,
        draws: evenedDraws(input, joint.fit, a, b, [d]),
        marks: marksIn.get(group) ?? 0,
      })),
      pairs.length,
      (draws) => effectOf(joint.fit, draws, size),
    ),
  )
}
