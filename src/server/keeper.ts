/** The newest few results by what they were made from; one that failed is made anew when it is asked for again. */
export function keeper<T>(most: number) {
  const kept = new Map<string, T>()
  return (key: string, make: () => T): T => {
    const old = kept.get(key)
    if (old !== undefined) return old
    const made = make()
    kept.set(key, made)
    if (made instanceof Promise) made.catch(() => kept.delete(key))
    if (kept.size > most) kept.delete(kept.keys().next().value!)
    return made
  }
}
