import { edgeWithDistance } from './bullington'
import { knifeEdgeLoss } from './knifeEdge'

const [FIRST, PER_UNIT, N] = [-0.78, 32, 1025]
/** Of each node the edge's loss and its slope, then the share that goes with the distance and its slope. */
const NODES = new Float64Array(4 * N)
for (let i = 0; i < N; i++) {
  const nu = FIRST + i / PER_UNIT
  const edge = i === 0 ? knifeEdgeLoss(nu + 1e-12) : knifeEdgeLoss(nu)
  const slope = 20 / Math.LN10 / Math.hypot(nu - 0.1, 1) / PER_UNIT
  const left = Math.exp(-edge / 6)
  NODES.set([edge, slope, 1 - left, (left * slope) / 6], 4 * i)
}

/**
 * {@link edgeWithDistance} from a table by cubic Hermite interpolation, for maps of many cells: within 1e-6 dB of it,
 * and the same beyond the table.
 */
export function quickEdge(nu: number, d: number): number {
  const x = (nu - FIRST) * PER_UNIT
  if (!(x > 0)) return 0
  if (x >= N - 1) return edgeWithDistance(nu, d)
  const i = x | 0
  const t = x - i
  const at = 4 * i
  const tt = t * t
  const later = tt * (3 - 2 * t)
  const out = t * (1 - t) * (1 - t)
  const into = tt * (t - 1)
  const sooner = 1 - later
  const edge = sooner * NODES[at]! + later * NODES[at + 4]! + out * NODES[at + 1]! + into * NODES[at + 5]!
  const share =
    sooner * NODES[at + 2]! + later * NODES[at + 6]! + out * NODES[at + 3]! + into * NODES[at + 7]!
  return edge + share * (10 + 0.02 * d)
}
