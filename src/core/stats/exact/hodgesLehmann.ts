/** Counts of subsets of 1..n by their sum: the null distribution of the signed-rank statistic, times 2^n. */
function signedRankCounts(n: number): Float64Array {
  const counts = new Float64Array((n * (n + 1)) / 2 + 1)
  counts[0] = 1
  for (let rank = 1; rank <= n; rank++)
    for (let sum = (rank * (rank + 1)) / 2; sum >= rank; sum--) counts[sum]! += counts[sum - rank]!
  return counts
}

/**
 * Largest c with P(V <= c - 1) <= tail under the null, V the signed-rank statistic: R's qsignrank.
 * @param n number of differences, 1 to 100
 * @param tail one-sided chance
 */
function signedRankQuantile(n: number, tail: number): number {
  const counts = signedRankCounts(n)
  const all = 2 ** n
  let sum = 0
  for (let v = 0; v < counts.length; v++) {
    sum += counts[v]!
    if (sum / all >= tail) return v
  }
  return counts.length - 1
}

/**
 * Hodges-Lehmann estimate and exact signed-rank interval of a set of differences, for scales whose step is fine
 * beside the spread. On whole S-units it is not to be used: it held the truth in 66 to 92 of 100.
 * @param differences 1 to 100 values, any unit
 * @param confidence 0 to 1
 * @returns null for an end that so few differences cannot fix
 * @throws RangeError on an empty or too long list
 */
export function hodgesLehmann(
  differences: readonly number[],
  confidence = 0.9,
): { estimate: number; low: number | null; high: number | null } {
  const n = differences.length
  if (n < 1 || n > 100) throw new RangeError(`1 to 100 differences are needed, not ${n}`)
  const walsh: number[] = []
  for (let i = 0; i < n; i++) for (let j = i; j < n; j++) walsh.push((differences[i]! + differences[j]!) / 2)
  walsh.sort((a, b) => a - b)
  const middle = walsh.length / 2
  const estimate =
    walsh.length % 2 === 1 ? walsh[Math.floor(middle)]! : (walsh[middle - 1]! + walsh[middle]!) / 2
  const tail = (1 - confidence) / 2
  if (2 ** -n > tail) return { estimate, low: null, high: null }
  const k = Math.max(1, signedRankQuantile(n, tail))
  return { estimate, low: walsh[k - 1]!, high: walsh[walsh.length - k]! }
}
