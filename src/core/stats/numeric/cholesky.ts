/** A pivot smaller than this share of its diagonal element is none. */
const MIN_PIVOT = 1e-14

/**
 * Lower triangle L of a symmetric matrix, L Lᵀ = a (Cholesky; Golub and Van Loan, Matrix Computations, section 4.2). A
 * direction in which the matrix is not definite is cut to nought: a column of noughts.
 */
export function cholesky(a: readonly (readonly number[])[]): number[][] {
  const n = a.length
  const l = Array.from({ length: n }, () => new Array<number>(n).fill(0))
  for (let j = 0; j < n; j++)
    for (let i = j; i < n; i++) {
      let s = a[i]![j]!
      for (let k = 0; k < j; k++) s -= l[i]![k]! * l[j]![k]!
      if (i === j) l[j]![j] = s > MIN_PIVOT * Math.abs(a[j]![j]!) ? Math.sqrt(s) : 0
      else l[i]![j] = l[j]![j]! > 0 ? s / l[j]![j]! : 0
    }
  return l
}

/** Solves L y = b for a lower triangle; nought in a direction that was cut. */
export function forwardSolved(l: readonly (readonly number[])[], b: readonly number[]): number[] {
  const y = [...b]
  for (let i = 0; i < y.length; i++) {
    for (let k = 0; k < i; k++) y[i]! -= l[i]![k]! * y[k]!
    y[i] = l[i]![i]! > 0 ? y[i]! / l[i]![i]! : 0
  }
  return y
}

/** Solves a symmetric positive definite system for several right sides; null where it is not definite. */
export function solveSpd(
  a: readonly (readonly number[])[],
  columns: readonly (readonly number[])[],
): number[][] | null {
  const n = a.length
  const l = cholesky(a)
  if (l.some((row, i) => !(row[i]! > 0))) return null
  return columns.map((b) => {
    const y = forwardSolved(l, b)
    for (let i = n - 1; i >= 0; i--) {
      for (let k = i + 1; k < n; k++) y[i]! -= l[k]![i]! * y[k]!
      y[i]! /= l[i]![i]!
    }
    return y
  })
}

/** The inverse of a symmetric positive definite matrix; null where it is not definite. */
export function inverseSpd(a: readonly (readonly number[])[]): number[][] | null {
  return solveSpd(
    a,
    a.map((_, i) => a.map((__, j) => (i === j ? 1 : 0))),
  )
}
