/**
 * How styles are kept: in a layer of their own, and without the prefixes that no supported browser has needed for years
 * (they made a third of them).
 */
export const STYLE_CACHE = { enableCssLayer: true, stylisPlugins: [] }
