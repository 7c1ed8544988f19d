import type { Layout } from './layout'
import type { ModelData } from './reports'

/** A cell of reports, and where its level hangs among the shared unknowns. */
export interface PlacedCell {
  cell: ModelData['cells'][number]
  /** The shared unknowns that its level is made of, in order, and how far each weighs. */
  hangs: Int32Array
  factors: Float64Array
}

/** Finds where cells' levels hang, once for each. @param bends where the slope may change, lg of m */
export function placer(
  { input, distanceM, middleM }: ModelData,
  layout: Layout,
  bends: readonly number[],
): (cell: ModelData['cells'][number]) => PlacedCell {
  return (cell) => {
    const m = distanceM[cell.mark]!
    const on: [number, number][] = [
      [layout.level[cell.listener]!, 1],
      [layout.link[cell.link]!, 1],
      ...(layout.linkAt.length > 0
        ? [[layout.linkAt[cell.link]![cell.listener]!, 1] as [number, number]]
        : []),
      [layout.slope, -10 * Math.log10(m / middleM)],
      ...bends.map((lg, k): [number, number] => [layout.bend[k]!, -10 * Math.max(0, Math.log10(m) - lg)]),
      ...(layout.step !== null && m >= input.step!.farM ? [[layout.step, -1] as [number, number]] : []),
      ...cell.terms.map(([t, factor]): [number, number] => [layout.term[t]!, factor]),
    ]
    on.sort((a, b) => a[0] - b[0])
    return {
      cell,
      hangs: Int32Array.from(on, ([i]) => i),
      factors: Float64Array.from(on, ([, c]) => c),
    }
  }
}
