const onTheirWay: Promise<unknown>[] = []

/**
 * Part of a page that the server draws and whose scripts come right after the page's own, so that the rest answers
 * first. What is clicked on it meanwhile is kept, as on all of the page.
 * @param load fetches it; a second call costs nothing
 * @returns the same
 */
export function soon<T>(load: () => Promise<T>): () => Promise<T> {
  if (typeof window !== 'undefined') onTheirWay.push(load().catch(() => undefined))
  return load
}

/** When all such parts of the page are there, or are known not to come. */
export const partsThere = () => Promise.all(onTheirWay)
