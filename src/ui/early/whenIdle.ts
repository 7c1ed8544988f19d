/** For browsers that do not tell: so long is left to what is under way, ms. */
const APART = 80

/**
 * Does something when the page has nothing else to do.
 * @param maxWaitMs waited for no longer than this
 */
export const whenIdle = (f: () => void, maxWaitMs: number) =>
  'requestIdleCallback' in window
    ? window.requestIdleCallback(f, { timeout: maxWaitMs })
    : setTimeout(f, APART)
