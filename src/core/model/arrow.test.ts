import { describe, expect, it } from 'vitest'
import { seededRandom } from '@/core/stats/numeric/seededRandom'
import { Arrow } from './arrow'

const MARK_OF = [0, 0, 1, 1, 2, -1]
const HANGS_ON = [[0, 2], [1, 2], [0, 2], [1, 2], [0, 2], [1]]
const PLACES = 3
const SIZE = 3
const N = MARK_OF.length + PLACES + SIZE

/** The same random arrow, and it written out in full. */
function arrowAndFull(diagonal: number): { arrow: Arrow; full: number[][] } {
  const random = seededRandom(4)
  const arrow = new Arrow(MARK_OF, PLACES, SIZE)
  const full = Array.from({ length: N }, () => new Array<number>(N).fill(0))
  const put = (i: number, j: number, v: number) => {
    full[i]![j] = full[j]![i] = v
    return v
  }
  const [ground, shared] = [MARK_OF.length, MARK_OF.length + PLACES]
  MARK_OF.forEach((m, u) => {
    arrow.own[u] = put(u, u, diagonal + random.uniform())
    if (m >= 0) arrow.ownGround[u] = put(u, ground + m, random.normal())
    HANGS_ON[u]!.forEach((h) => (arrow.ownShared[u * SIZE + h] = put(u, shared + h, random.normal())))
  })
  for (let m = 0; m < PLACES; m++) {
    arrow.ground[m] = put(ground + m, ground + m, diagonal + random.uniform())
    // The third place begins another leg.
    if (m === 1) arrow.groundBefore[m] = put(ground + m, ground + m - 1, random.normal())
    for (let i = 0; i < SIZE; i++)
      arrow.groundShared[m * SIZE + i] = put(ground + m, shared + i, random.normal())
  }
  for (let i = 0; i < SIZE; i++)
    for (let j = 0; j <= i; j++)
      arrow.shared[i * SIZE + j] = put(
        shared + i,
        shared + j,
        i === j ? diagonal + random.uniform() : random.normal(),
      )
  return { arrow, full }
}

/** ln of a determinant by Gaussian elimination. */
function lnDetOf(full: number[][]): number {
  const a = full.map((row) => [...row])
  let sum = 0
  a.forEach((row, i) => {
    sum += Math.log(row[i]!)
    for (let k = i + 1; k < a.length; k++) {
      const f = a[k]![i]! / row[i]!
      for (let j = i; j < a.length; j++) a[k]![j]! -= f * row[j]!
    }
  })
  return sum
}

describe('an arrow', () => {
  it('has the determinant of the matrix written out in full', () => {
    const { arrow, full } = arrowAndFull(12)
    expect(arrow.factorise()).toBeCloseTo(lnDetOf(full), 10)
  })

  it('solves what the matrix written out in full gives', () => {
    const { arrow, full } = arrowAndFull(12)
    const x = Float64Array.from({ length: N }, (_, i) => Math.sin(i + 1))
    const b = Float64Array.from(full, (row) => row.reduce((s, v, j) => s + v * x[j]!, 0))
    arrow.factorise()
    arrow.solveLower(b)
    arrow.solveUpper(b)
    b.forEach((v, i) => expect(v).toBeCloseTo(x[i]!, 10))
  })

  it('turns standard normals into draws that have its inverse as covariance: L Lᵀ is the matrix', () => {
    const { arrow, full } = arrowAndFull(12)
    arrow.factorise()
    // For every e, |L⁻¹ A e|² = eᵀ A e.
    for (let i = 0; i < N; i++) {
      const b = Float64Array.from(full, (row) => row[i]!)
      arrow.solveLower(b)
      expect(b.reduce((s, v) => s + v * v, 0)).toBeCloseTo(full[i]![i]!, 9)
    }
  })

  it('says that it is not positive definite, and is with a ridge', () => {
    const { arrow } = arrowAndFull(0.1)
    const ridged = new Arrow(MARK_OF, PLACES, SIZE)
    ridged.copyFrom(arrow)
    expect(arrow.factorise()).toBeNull()
    ridged.addRidge(20)
    expect(ridged.factorise()).not.toBeNull()
  })
})
