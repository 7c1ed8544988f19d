/** What is known, or will be. */
export type Soon<T> = { known: T } | { later: Promise<T> }

/** A page waits so long for what is kept from before, ms. */
const A_MOMENT_MS = 30

/** What is there in a moment as itself, so that it is not sent twice; anything else as what will be known. */
export async function soon<T>(later: Promise<T>): Promise<Soon<T>> {
  const tooLate = new Promise<Soon<T>>((give) => setTimeout(() => give({ later }), A_MOMENT_MS))
  return Promise.race([later.then((known) => ({ known })), tooLate])
}
