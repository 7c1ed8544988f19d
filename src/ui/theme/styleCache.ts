/**
 * Where styles are put: the head of the page. Those that came in it stay where they are: taken out and put back, as
 * the library does when a page starts, they would have the browser style and lay out everything anew. Its other cache,
 * which nothing uses, leaves alone what the early script has marked.
 */
const inHead = {
  insertBefore<T extends Node>(tag: T, before: Node | null): T {
    return tag.parentNode === document.head ? tag : document.head.insertBefore(tag, before)
  },
}

/**
 * How styles are kept: in a layer of their own, and without the prefixes that no supported browser has needed for years
 * (they made a third of them).
 */
export const STYLE_CACHE = {
  enableCssLayer: true,
  stylisPlugins: [],
  ...(typeof document === 'undefined' ? {} : { container: inHead as unknown as Node }),
}
