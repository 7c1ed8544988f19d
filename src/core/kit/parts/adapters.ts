import { connectorPairLossDb } from '@/core/rf'
import { endText, mateOf, mating, type ConnectorEnd } from './connectors'
import type { PartOf } from './part'

/** An owned kind of adapter and how many are free. */
export interface OwnedAdapter {
  part: PartOf<'adapter'>
  free: number
}

/** One adapter in a solution; flipped where its second end goes towards the radio. */
export interface AdapterStep {
  partId: string
  name: string
  flipped: boolean
}

export type AdapterSolution =
  | { solved: true; steps: AdapterStep[]; lossDb: number }
  /** What one adapter to buy would have to be. */
  | { solved: false; buy: { a: ConnectorEnd; b: ConnectorEnd }; words: string }

/** More than this in a row is no connection. */
const MAX = 4

interface Node {
  exposed: ConnectorEnd
  steps: AdapterStep[]
  lossDb: number
  used: ReadonlyMap<string, number>
}

/**
 * Adapters that join two ends: the fewest, then the least loss, each owned one used once. Uniform-cost search over the
 * end that is exposed and what has been used.
 * @param near the end towards the radio, as it is
 * @param far the end to reach, as it is
 */
export function solveAdapters(
  near: ConnectorEnd,
  far: ConnectorEnd,
  owned: readonly OwnedAdapter[],
  frequencyMHz: number,
): AdapterSolution {
  let frontier: Node[] = [{ exposed: near, steps: [], lossDb: 0, used: new Map() }]
  for (let depth = 0; depth <= MAX; depth++) {
    const there = frontier.filter((n) => mating(n.exposed, far).mates)
    if (there.length > 0) {
      const best = there.reduce((a, b) => (b.lossDb < a.lossDb ? b : a))
      return { solved: true, steps: best.steps, lossDb: best.lossDb }
    }
    frontier = frontier.flatMap((node) => grow(node, owned, frequencyMHz))
  }
  const buy = { a: mateOf(near), b: mateOf(far) }
  return { solved: false, buy, words: `an adapter from ${endText(buy.a)} to ${endText(buy.b)}` }
}

function grow(node: Node, owned: readonly OwnedAdapter[], frequencyMHz: number): Node[] {
  return owned.flatMap(({ part, free }) => {
    const used = node.used.get(part.id) ?? 0
    if (used >= free) return []
    return [false, true].flatMap((flipped): Node[] => {
      const enters = flipped ? part.spec.b : part.spec.a
      const leaves = flipped ? part.spec.a : part.spec.b
      if (!mating(node.exposed, enters).mates) return []
      return [
        {
          exposed: leaves,
          steps: [...node.steps, { partId: part.id, name: part.name, flipped }],
          lossDb: node.lossDb + (part.spec.lossDb ?? connectorPairLossDb(frequencyMHz)),
          used: new Map(node.used).set(part.id, used + 1),
        },
      ]
    })
  })
}
