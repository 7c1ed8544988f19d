import { inverseSpd, studentQuantile } from '@/core/stats'

/** One reading while something is plugged in and out. */
export interface LiveReading {
  /** Seconds from the first. */
  atS: number
  /** What was said to be plugged in; null where nobody said. */
  state: 'in' | 'out' | null
  value: number
  /** The instrument shows no more than this, or somebody's contract allows no more: the true value is at least it. */
  capped: boolean
}

/** A stretch of one state, after the settle time. */
export interface Block {
  state: 'in' | 'out'
  fromS: number
  toS: number
  /** Middle of what counts, s. */
  atS: number
  mean: number
  readings: number
  /** Half or more of it is capped. */
  capped: boolean
}

/** What being plugged in brings. */
export interface SwapAnswer {
  /** In less out, the unit of the readings. */
  gain: number
  /** 90 %; null of one swap there and back, where nothing tells how well it repeats. */
  interval: { low: number; high: number } | null
  /** A change with time that has nothing to do with the plug, the unit an hour; null where it cannot be told apart. */
  driftPerHour: number | null
  swaps: number
  blocks: number
  /** A capped block makes the gain "at least". */
  atLeast: boolean
}

/** Blocks in their order, without what lies within the settle time after a change. @param settleS 0 or more */
export function blocksOf(readings: readonly LiveReading[], settleS: number): Block[] {
  const runs: { state: 'in' | 'out'; all: LiveReading[] }[] = []
  for (const r of readings) {
    if (r.state === null) continue
    const open = runs[runs.length - 1]
    if (open?.state === r.state) open.all.push(r)
    else runs.push({ state: r.state, all: [r] })
  }
  return runs.flatMap(({ state, all }, i) => {
    const from = all[0]!.atS
    const counted = i === 0 ? all : all.filter((r) => r.atS >= from + settleS)
    if (counted.length === 0) return []
    const mean = (pick: (r: LiveReading) => number) =>
      counted.reduce((s, r) => s + pick(r), 0) / counted.length
    return [
      {
        state,
        fromS: from,
        toS: all[all.length - 1]!.atS,
        atS: mean((r) => r.atS),
        mean: mean((r) => r.value),
        readings: counted.length,
        capped: counted.filter((r) => r.capped).length * 2 >= counted.length,
      },
    ]
  })
}

/** Blocks from which on a drift is told apart from the plug. */
const BLOCKS_WITH_DRIFT = 4

/**
 * In less out from blocks that take turns: a level, the plug, and (of four blocks or more) a straight drift, by least
 * squares over the blocks' means. The swaps are the units; readings within a block hang together and count as one.
 * @param blocks two or more, of both states
 * @returns null where one state is missing
 */
export function swapAnswer(blocks: readonly Block[]): SwapAnswer | null {
  const [ins, outs] = [blocks.filter((b) => b.state === 'in'), blocks.filter((b) => b.state === 'out')]
  if (ins.length === 0 || outs.length === 0) return null
  const common = {
    swaps: blocks.slice(1).filter((b, i) => b.state !== blocks[i]!.state).length,
    blocks: blocks.length,
    atLeast: ins.some((b) => b.capped) && !outs.some((b) => b.capped),
  }
  if (blocks.length < BLOCKS_WITH_DRIFT) {
    // Out, in, out (or the other way round): the middle one against the mean of its neighbours takes a drift out.
    const mean = (of: Block[]) => of.reduce((s, b) => s + b.mean, 0) / of.length
    return { ...common, gain: mean(ins) - mean(outs), interval: null, driftPerHour: null }
  }
  const middle = blocks.reduce((s, b) => s + b.atS, 0) / blocks.length
  const rows = blocks.map((b) => [1, b.state === 'in' ? 1 : 0, (b.atS - middle) / 3600])
  const normal = [0, 1, 2].map((i) => [0, 1, 2].map((j) => rows.reduce((s, r) => s + r[i]! * r[j]!, 0)))
  const inverse = inverseSpd(normal)
  if (!inverse) return null
  const right = [0, 1, 2].map((i) => rows.reduce((s, r, k) => s + r[i]! * blocks[k]!.mean, 0))
  const [, gain, drift] = inverse.map((r) => r.reduce((s, v, j) => s + v * right[j]!, 0)) as [
    number,
    number,
    number,
  ]
  const level = inverse[0]!.reduce((s, v, j) => s + v * right[j]!, 0)
  const free = blocks.length - 3
  const rest = rows.reduce((s, r, k) => s + (blocks[k]!.mean - level - gain * r[1]! - drift * r[2]!) ** 2, 0)
  const half = studentQuantile(0.95, free) * Math.sqrt((rest / free) * inverse[1]![1]!)
  return { ...common, gain, interval: { low: gain - half, high: gain + half }, driftPerHour: drift }
}
