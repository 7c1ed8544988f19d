import { whenIdle } from './whenIdle'

/** Waited for at most, from when the page has loaded, ms. */
const MAX_WAIT = 5000

/**
 * Part of a page that is fetched when it is wanted, and beforehand when the page stands and nothing else is to be done:
 * a server that goes away meanwhile takes no form, and nothing typed, with it.
 * @param load fetches it; a second call costs nothing
 * @returns the same
 */
export function ahead<T>(load: () => Promise<T>): () => Promise<T> {
  if (typeof window !== 'undefined') {
    const fetchIt = () => whenIdle(() => void load().catch(() => undefined), MAX_WAIT)
    if (document.readyState === 'complete') fetchIt()
    else addEventListener('load', fetchIt, { once: true })
  }
  return load
}
