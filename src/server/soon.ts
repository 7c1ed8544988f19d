import type { Soon } from '@/ui/answers/OnceKnown'

/** The same made of what is known, now and later. */
export const soonAs = <T, U>(what: Soon<T>, make: (known: T) => U): Soon<U> =>
  'known' in what
    ? { known: make(what.known) }
    : { meanwhile: make(what.meanwhile), later: what.later.then(make) }

/** A page waits so long for what is kept from before, ms. */
const A_MOMENT_MS = 30

/**
 * What is there in a moment as itself, so that it is not sent twice; of anything else what does until it is known.
 * @param meanwhile asked only then
 */
export async function soon<T>(later: Promise<T>, meanwhile: () => T): Promise<Soon<T>> {
  const tooLate = new Promise<null>((give) => setTimeout(() => give(null), A_MOMENT_MS))
  const known = await Promise.race([later.then((value) => ({ known: value })), tooLate])
  return known ?? { meanwhile: meanwhile(), later }
}
