// What was held of many simulated days, kept so that a later run adds to it.
import type { Posterior } from '../src/core/model/answers'

/** Widths are kept by how often each was met, in steps of so much. */
const WIDTH_STEP = 0.05

/** What was held of one quantity. */
interface Held {
  n: number
  held: number
  /** How often a width in steps of {@link WIDTH_STEP} was met. */
  widths: Record<string, number>
}

/** Of one shape of days. */
export interface ShapeTally {
  days: number
  difference: Held
  often: Held
  half: Held
  /** Days on which the findings say themselves that a reach may be another elsewhere, and of how many that was asked. */
  warned: { days: number; of: number }
  /** Of those on which they do not. */
  unwarned: { often: Held; half: Held }
  right: number
  wrong: number
  betweenEquals: number
  contradictions: number
  slower: number
}

const noneHeld = (): Held => ({ n: 0, held: 0, widths: {} })

export const noTally = (): ShapeTally => ({
  days: 0,
  difference: noneHeld(),
  often: noneHeld(),
  half: noneHeld(),
  unwarned: { often: noneHeld(), half: noneHeld() },
  warned: { days: 0, of: 0 },
  right: 0,
  wrong: 0,
  betweenEquals: 0,
  contradictions: 0,
  slower: 0,
})

export function addHeld(to: Held, { q05, q95 }: Posterior, truth: number): void {
  to.n++
  if (q05 <= truth && truth <= q95) to.held++
  const step = String(Math.round((q95 - q05) / WIDTH_STEP))
  to.widths[step] = (to.widths[step] ?? 0) + 1
}

function heldOfBoth(a: Held, b: Held): Held {
  const widths = { ...a.widths }
  for (const [w, n] of Object.entries(b.widths)) widths[w] = (widths[w] ?? 0) + n
  return { n: a.n + b.n, held: a.held + b.held, widths }
}

export const tallyOfBoth = (a: ShapeTally, b: ShapeTally): ShapeTally => ({
  days: a.days + b.days,
  difference: heldOfBoth(a.difference, b.difference),
  often: heldOfBoth(a.often, b.often),
  half: heldOfBoth(a.half, b.half),
  unwarned: {
    often: heldOfBoth(a.unwarned.often, b.unwarned.often),
    half: heldOfBoth(a.unwarned.half, b.unwarned.half),
  },
  warned: { days: a.warned.days + b.warned.days, of: a.warned.of + b.warned.of },
  right: a.right + b.right,
  wrong: a.wrong + b.wrong,
  betweenEquals: a.betweenEquals + b.betweenEquals,
  contradictions: a.contradictions + b.contradictions,
  slower: a.slower + b.slower,
})

/** The middle of the widths that were met. */
function middleWidth({ n, widths }: Held): number {
  let left = n / 2
  for (const w of Object.keys(widths).sort((a, b) => Number(a) - Number(b))) {
    left -= widths[w]!
    if (left <= 0) return Number(w) * WIDTH_STEP
  }
  return NaN
}

export const TALLY_HEAD = [
  'shape',
  'days',
  'difference held, %',
  'width, dB or steps',
  'right “better”, %',
  'wrong “better”, %',
  '“better” between equals, %',
  'reach 9 in 10 held, %',
  'its ends',
  'reach 1 in 2 held, %',
  'its ends',
  'contradictions',
  'by the slower way, %',
]

export const WARNED_HEAD = [
  'shape',
  'days',
  'warned, %',
  'reach 9 in 10 held, %',
  'unwarned, %',
  'reach 1 in 2 held, %',
  'unwarned, %',
]

const heldShare = ({ n, held: k }: Held) => (n === 0 ? '' : ((100 * k) / n).toFixed(0))

export function warnedRow(name: string, { warned, often, half, unwarned }: ShapeTally): string[] {
  return [
    name,
    String(warned.of),
    ((100 * warned.days) / warned.of).toFixed(0),
    heldShare(often),
    heldShare(unwarned.often),
    heldShare(half),
    heldShare(unwarned.half),
  ]
}

export function tallyRow(name: string, t: ShapeTally): string[] {
  const share = (k: number) => ((100 * k) / t.days).toFixed(1)
  const ends = (h: Held) => (h.n === 0 ? '' : `×${(10 ** middleWidth(h)).toFixed(1)}`)
  return [
    name,
    String(t.days),
    heldShare(t.difference),
    middleWidth(t.difference).toFixed(1),
    share(t.right),
    share(t.wrong),
    share(t.betweenEquals),
    heldShare(t.often),
    ends(t.often),
    heldShare(t.half),
    ends(t.half),
    String(t.contradictions),
    share(t.slower),
  ]
}
