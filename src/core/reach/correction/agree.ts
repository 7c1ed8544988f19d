import type { Direction } from '@/core/kit/rig/rig'
import { inverseSpd } from '@/core/stats/numeric/cholesky'
import { dot } from '@/core/stats/numeric/dot'
import { asKept, effectsOf, elementOf, type Correction } from './correction'

/** How far links are off their prediction against one another, as one run tells it: normal, dB. */
export interface LinkContrasts {
  /** By how much one link's margin is off by more than another's, by their keys, in a direction. */
  of: { key: string; over: string; direction: Exclude<Direction, 'loop'> }[]
  mean: number[]
  /** Whole, dB². */
  covariance: number[][]
}

type Vector = readonly number[]
const times = (a: readonly Vector[], v: Vector) => a.map((row) => dot(row, v))

/** The effects of a correction in which links differ in a direction. */
const differsBy = (
  { links }: Correction,
  key: string,
  over: string,
  direction: Exclude<Direction, 'loop'>,
): number[] => {
  const [a, b] = [key, over].map((k) => effectsOf(links, k, direction, 1, null)) as [number[], number[]]
  return a.map((v, i) => v - b[i]!)
}

/** What several runs say of links together: the sum of what each knows; null where they have no link in common. */
function together(c: Correction, runs: readonly LinkContrasts[]) {
  const first = runs[0]!.of[0]!.over
  const ways = new Map(
    runs.flatMap(({ of }) =>
      of.flatMap(({ key, over, direction }) =>
        [key, over].flatMap((k) =>
          k === first ? [] : [[`${direction} ${k}`, { key: k, direction }] as const],
        ),
      ),
    ),
  )
  const at = new Map([...ways.keys()].map((k, i) => [k, i]))
  const n = at.size
  const precision = Array.from({ length: n }, () => new Array<number>(n).fill(0))
  const push = new Array<number>(n).fill(0)
  for (const { of, mean, covariance } of runs) {
    const known = inverseSpd(covariance)
    if (!known) return null
    const told = times(known, mean)
    // One contrast is one link's against the first, less the other's.
    const rows = of.map(({ key, over, direction }) =>
      (
        [
          [at.get(`${direction} ${key}`), 1],
          [at.get(`${direction} ${over}`), -1],
        ] as const
      ).flatMap(([i, by]) => (i === undefined ? [] : [[i, by] as const])),
    )
    rows.forEach((row, r) => {
      for (const [i, v] of row) {
        push[i]! += v * told[r]!
        rows.forEach((other, s) => {
          for (const [j, w] of other) precision[i]![j]! += v * w * known[r]![s]!
        })
      }
    })
  }
  const covariance = inverseSpd(precision)
  if (!covariance) return null
  return {
    by: [...ways.values()].map(({ key, direction }) => differsBy(c, key, first, direction)),
    mean: times(covariance, push),
    covariance,
  }
}

/**
 * A correction whose links differ as the findings' joint model says that they do: how links lie against one another is
 * that model's, what is left (the whole, distance, places) is what the correction holds, given that. One posterior is
 * then in both, and no map contradicts a verdict.
 * @param runs what each run says of links, the newest first; where they have no link in common the newest alone counts
 */
export function agreeing(c: Correction, runs: readonly LinkContrasts[]): Correction {
  const ours = runs
    .map((run) => picked(run, ({ key, over }) => c.links.includes(key) && c.links.includes(over)))
    .filter(({ of }) => of.length > 0)
  if (ours.length === 0) return c
  const said = together(c, ours) ?? together(c, ours.slice(0, 1))
  if (!said) return c
  const m = said.by[0]!.length
  const n = c.mean.length
  const sigma = elementOf(c.covariance)
  const all = Array.from({ length: n }, (_, i) => i)
  // Covariance of everything with the contrasts, and of the contrasts.
  const mixed = all.map((i) =>
    said.by.map((by) => {
      let s = 0
      for (let j = 0; j < m; j++) if (by[j] !== 0) s += by[j]! * sigma(i, j)
      return s
    }),
  )
  const own = said.by.map((by) =>
    said.by.map((_, k) =>
      dot(
        by,
        mixed.slice(0, m).map((row) => row[k]!),
      ),
    ),
  )
  const inverse = inverseSpd(own)
  if (!inverse) return c
  const gain = mixed.map((row) => times(inverse, row))
  const held = said.by.map((by) => dot(by, c.mean.slice(0, m)))
  const moved = said.mean.map((v, i) => v - held[i]!)
  const change = said.covariance.map((row, i) => row.map((v, j) => v - own[i]![j]!))
  const spread = gain.map((row) => times(change, row))
  return {
    ...c,
    ...asKept(
      c.mean.map((v, i) => v + dot(gain[i]!, moved)),
      c.covariance.map((row, i) => row.map((v, j) => v + dot(spread[i]!, gain[j]!))),
    ),
  }
}

/** Those of a run's contrasts that hold. */
function picked(run: LinkContrasts, holds: (of: LinkContrasts['of'][number]) => boolean): LinkContrasts {
  const at = run.of.flatMap((of, i) => (holds(of) ? [i] : []))
  return {
    of: at.map((i) => run.of[i]!),
    mean: at.map((i) => run.mean[i]!),
    covariance: at.map((i) => at.map((j) => run.covariance[i]![j]!)),
  }
}
