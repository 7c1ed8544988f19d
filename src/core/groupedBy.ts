/**
 * Things by what they have in common, each group in the order of its first appearance.
 * @param keyOf the same key for those that belong together
 */
export function groupedBy<K, T>(items: Iterable<T>, keyOf: (item: T) => K): Map<K, T[]> {
  const found = new Map<K, T[]>()
  for (const item of items) {
    const key = keyOf(item)
    const old = found.get(key)
    if (old) old.push(item)
    else found.set(key, [item])
  }
  return found
}
