import { groupedBy } from '@/core/groupedBy'

/**
 * Things that are alike for what is to be worked out, once each with how many there are. Reports come in few
 * kinds, so a long log costs little more than a short one.
 * @param keyOf the same text for those that are alike
 * @returns in the order of their first appearance
 */
export function countedBy<T>(items: readonly T[], keyOf: (item: T) => string): { item: T; times: number }[] {
  return [...groupedBy(items, keyOf).values()].map((alike) => ({ item: alike[0]!, times: alike.length }))
}
