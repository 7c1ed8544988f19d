import type { ModelData } from './reports'

/** Where each unknown of the field stands among those that are shared; what links have of their own and the ground come apart. */
export interface Layout {
  /** Level at the middle distance, by listener. */
  level: number[]
  /** Link by link. */
  link: number[]
  /** A link at a listener; empty where there is one listener. */
  linkAt: number[][]
  slope: number
  /** By how much the slope changes at each bend. */
  bend: number[]
  /** By how much all is weaker beyond a step; null where there is none. */
  step: number | null
  /** The input's terms. */
  term: number[]
  /** The first cut of each listener; the gaps follow it. */
  cut: number[]
  /** Cuts of each listener: steps of its list, or hearing and half the words. */
  cuts: number[]
  size: number
}

/** Lays the shared unknowns out for a run. @param bends how many of its slope */
export function layoutOf({ input }: ModelData, bends: number): Layout {
  let size = 0
  const next = () => size++
  const level = input.listeners.map(next)
  const link = Array.from({ length: input.links }, next)
  const linkAt = input.listeners.length > 1 ? link.map(() => input.listeners.map(next)) : []
  const slope = next()
  const bend = Array.from({ length: bends }, next)
  const step = input.step ? next() : null
  const term = (input.terms ?? []).map(next)
  const cuts = input.listeners.map((l) => (l.counts ? 2 : l.steps))
  const cut = cuts.map((k) => {
    const first = size
    size += k
    return first
  })
  return { level, link, linkAt, slope, bend, step, term, cut, cuts, size }
}
