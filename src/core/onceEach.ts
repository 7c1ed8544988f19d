/** The same function, which works the answer for each thing out once; for as long as it is held on to. */
export function onceEach<K, V>(of: (thing: K) => V): (thing: K) => V {
  const known = new Map<K, V>()
  return (thing) => {
    const old = known.get(thing)
    if (old !== undefined || known.has(thing)) return old as V
    const made = of(thing)
    known.set(thing, made)
    return made
  }
}

/** The same for things that others hold: an answer is let go with what it is of. */
export function onceWhileHeld<K extends object, V>(of: (thing: K) => V): (thing: K) => V {
  const known = new WeakMap<K, { made: V }>()
  return (thing) => {
    const old = known.get(thing)
    if (old) return old.made
    const made = of(thing)
    known.set(thing, { made })
    return made
  }
}

/** The same for what is of nothing else. */
export function once<V>(make: () => V): () => V {
  let known: { made: V } | null = null
  return () => (known ??= { made: make() }).made
}
