/**
 * A number as data files write it: decimal, with a point, perhaps with an exponent.
 * @returns NaN for anything else, such as nothing, "0x10" or what is beyond all numbers
 */
export function plainNumber(text: string): number {
  const plain = text.trim()
  if (!/^[+-]?(?:\d+\.?\d*|\.\d+)(?:e[+-]?\d{1,3})?$/i.test(plain)) return NaN
  const value = Number(plain)
  return Number.isFinite(value) ? value : NaN
}
