import { differenceDraws } from '@/core/model/answers'
import { expectedAt, type PlanGround } from '@/core/reach/planGround'
import type { LinkContrasts } from '@/core/reach/correction/agree'
import { linkKey } from '@/core/reach/linkKey'
import type { FindingsInput } from './input'
import { unitOf, type JointFit } from './joint/jointFit'

/** Draws are some hundreds; keeps a covariance of them definite, dB². */
const RIDGE = 0.01

/**
 * By how much links are off their predictions against one another as the joint model says, in the directions in which
 * it says so in dB: against the first link that was reported from.
 * @param ground of the same plan, before any check
 * @returns null where it says nothing of any two
 */
export function linkContrasts(
  input: FindingsInput,
  whole: JointFit,
  ground: Pick<PlanGround, 'expected'>,
): LinkContrasts | null {
  const { fit } = whole
  const expected = expectedAt(ground.expected)
  const reported = new Set(fit.data.input.reports.map((r) => `${r.link} ${r.listener}`))
  const found = input.directions.flatMap((direction, listener) => {
    if (direction === 'loop' || unitOf(whole, [listener]).unit !== 'dB') return []
    const tried = [...input.links.keys()].filter((l) => reported.has(`${l} ${listener}`))
    const [first, ...others] = tried
    if (first === undefined) return []
    const predicted = (link: number, markId: string) =>
      expected(markId, linkKey(input.links[link]!), direction)?.marginDb
    return others.flatMap((link) => {
      const apart = input.marks.flatMap(({ id }) => {
        const [a, b] = [predicted(link, id), predicted(first, id)]
        return a === undefined || b === undefined ? [] : [a - b]
      })
      if (apart.length === 0) return []
      const foreseen = apart.reduce((s, v) => s + v, 0) / apart.length
      const [key, over] = [link, first].map((l) => linkKey(input.links[l]!)) as [string, string]
      const off = differenceDraws(fit, link, first, [listener], true).map((db) => db - foreseen)
      return key === over ? [] : [{ of: { key, over, direction }, off }]
    })
  })
  if (found.length === 0) return null
  const n = fit.draws.length
  const mean = found.map(({ off }) => off.reduce((s, v) => s + v, 0) / n)
  const covariance = found.map(({ off: a }, i) =>
    found.map(({ off: b }, j) => {
      let s = 0
      for (let k = 0; k < n; k++) s += (a[k]! - mean[i]!) * (b[k]! - mean[j]!)
      return s / n + (i === j ? RIDGE : 0)
    }),
  )
  return { of: found.map((f) => f.of), mean, covariance }
}
