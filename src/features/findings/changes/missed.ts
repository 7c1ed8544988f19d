import type { Breakdown } from '@/core/findings'

type By = Breakdown['by'][number]

/** Half of a 90 % interval, in standard deviations, and of a 95 % one. */
const HALF_90 = 1.645

/** The greatest change from one part to another that the log would have missed, in the unit of its pairs; null where something is sure. */
export function missedChange({ pairs }: By): number | null {
  if (pairs.some((p) => p.change)) return null
  const changes = pairs.flatMap(({ within }) =>
    within.flatMap((a, i) =>
      within.slice(i + 1).map((b) => {
        const sd = ({ effect: { interval90 } }: typeof a) =>
          (interval90.high - interval90.low) / (2 * HALF_90)
        return Math.abs(a.effect.estimate - b.effect.estimate) + HALF_90 * Math.hypot(sd(a), sd(b))
      }),
    ),
  )
  return changes.length > 0 ? Math.max(...changes) : null
}

/** What was looked at and did not surely change, each with what could have been missed; empty where all changed. */
export function missedWords(by: readonly By[]): string {
  const still = by.flatMap((g) => {
    const missed = missedChange(g)
    return missed === null
      ? []
      : [`${g.what}${g.pairs[0]!.unit === 'none' ? '' : ` (up to ${Math.ceil(missed)} ${g.pairs[0]!.unit})`}`]
  })
  if (still.length === 0) return ''
  const list = still.length < 2 ? still[0]! : `${still.slice(0, -1).join(', ')} and ${still.at(-1)}`
  return `No change found with ${list}${list.includes('(up to') ? '; in brackets, what could have been missed' : ''}.`
}
