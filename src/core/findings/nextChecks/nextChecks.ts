import type { Reaches } from '@/core/model/answers'
import { Foreseen, type UnmadeCheck } from '@/core/model/foreseen'
import { seededRandom } from '@/core/stats/numeric/seededRandom'
import { evenedDraws } from '../joint/evenedDraws'
import type { JointFit } from '../joint/jointFit'
import type { FindingsInput, ReadCheck } from '../input'
import type { JudgedPair } from '../compare/verdict'
import { usableDraws } from '../reach/usableDraws'
import type { NeedChance } from '../standing/needChances'
import { narrowingBy } from './narrowing'

/** What is still open, and would be narrowed. */
export type OpenQuestion =
  | { kind: 'difference'; a: string; b: string }
  | { kind: 'need'; linkId: string }
  | { kind: 'reach'; linkId: string }

interface NextMark {
  markId: string
  /** Times that it was visited with what is asked for. */
  visits: number
  /** The share of what is open that one visit is expected to take off, 0 to 1. */
  narrows: number
  /** What the visit takes, with its share of the way there and back. */
  minutes: number
}

/** Where the next checks tell most of what is open. */
export interface NextChecks {
  about: OpenQuestion
  /** Best for its time first. */
  marks: NextMark[]
}

const WALK_KMH = 4
const MINUTES_A_CHECK = 1.5
/** A meter's step, and a display's, as far as they tell a difference, dB. */
const METER_STEP_DB = 6
const WORD_STEP_DB = 8
/** From here on what is needed is settled. */
const SETTLED = 0.95

/** What is open: a need neither met nor missed surely, a pair that cannot be told, else the widest reach. */
function openQuestion(
  input: FindingsInput,
  read: Reaches,
  pairs: readonly JudgedPair[],
  need: readonly NeedChance[],
): OpenQuestion | null {
  const undecided = need
    .filter((n) => n.chance < SETTLED && n.chance > 1 - SETTLED)
    .sort((a, b) => Math.abs(a.chance - 0.5) - Math.abs(b.chance - 0.5))[0]
  if (undecided) return { kind: 'need', linkId: undecided.linkId }
  const open = pairs
    .filter((p) => p.verdict.kind === 'cannot tell' && p.joint)
    .sort((a, b) => Math.abs(b.joint!.aBetter - 0.5) - Math.abs(a.joint!.aBetter - 0.5))[0]
  if (open) return { kind: 'difference', a: open.a, b: open.b }
  const widest = input.links
    .map((link, l) => {
      const sorted = usableDraws(input, read, l, input.reliability).slice().sort()
      const at = (p: number) => sorted[Math.floor(p * (sorted.length - 1))]!
      return { linkId: link.id, width: at(0.95) - at(0.05) }
    })
    .sort((a, b) => b.width - a.width)[0]
  return widest ? { kind: 'reach', linkId: widest.linkId } : null
}

/**
 * The marks at which one more visit is expected to narrow most, for the time it takes, what is still open: the
 * posterior foresees what each check there would report, draw by draw, and how much of the doubt each such report would
 * leave.
 * @param read null where no distance is a reach @param pairs of the whole, judged
 * @returns null where nothing is open, or nothing is told of distances
 */
export function nextChecks(
  input: FindingsInput,
  checks: readonly ReadCheck[],
  joint: JointFit | null,
  read: Reaches | null,
  pairs: readonly JudgedPair[],
  need: readonly NeedChance[],
): NextChecks | null {
  if (!joint || !read) return null
  const about = openQuestion(input, read, pairs, need)
  if (!about) return null
  const at = (id: string) => input.links.findIndex((l) => l.id === id)
  const links = about.kind === 'difference' ? [at(about.a), at(about.b)] : [at(about.linkId)]
  const listeners = input.directions.map((_, d) => d)
  const target =
    about.kind === 'difference'
      ? evenedDraws(input, joint.fit, links[0]!, links[1]!, listeners)
      : usableDraws(input, read, links[0]!, input.reliability)
  const asked: UnmadeCheck[] = links.flatMap((link) => listeners.map((listener) => ({ link, listener })))
  const foreseen = new Foreseen(joint.fit, read.fall, seededRandom(7))
  const said = (d: number, margin: number) => {
    const step = joint.input.readers[d]!.inDb ? METER_STEP_DB : WORD_STEP_DB
    return margin < 0 ? -1 : Math.min(12, Math.floor(margin / step))
  }
  const looked = new Set<number>()
  const marks = input.marks.flatMap((mark): NextMark[] => {
    const place = joint.input.placeOf.get(mark.id)
    // Of marks that are one place to the model the first stands for all.
    if (place === undefined || looked.has(place)) return []
    looked.add(place)
    const margins = foreseen.margins(place, Math.log10(mark.distanceM), asked)
    const groups = Array.from(target, (_, i) => {
      const reports = margins.map((m, k) => said(asked[k]!.listener, m[i]!))
      if (about.kind !== 'difference') return reports.join()
      // Of two links only who was heard, and by how many steps more, bears on their difference.
      const half = reports.length / 2
      return reports
        .slice(0, half)
        .map((r, k) => {
          const other = reports[half + k]!
          return r >= 0 && other >= 0 ? String(r - other) : r >= 0 ? 'a' : other >= 0 ? 'b' : '-'
        })
        .join()
    })
    const visits = new Set(
      checks
        .filter((c) => c.markId === mark.id && links.includes(at(c.linkId)))
        .map((c) => `${c.runId} ${c.repeat}`),
    ).size
    const minutes =
      (2 * mark.distanceM * 60) / (WALK_KMH * 1000) / Math.max(1, input.marks.length / 2) +
      asked.length * MINUTES_A_CHECK
    return [{ markId: mark.id, visits, narrows: narrowingBy(target, groups), minutes }]
  })
  return {
    about,
    marks: marks.sort((p, q) => q.narrows / q.minutes - p.narrows / p.minutes),
  }
}
