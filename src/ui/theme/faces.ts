import { preload } from 'react-dom'

const FACES = [
  new URL(
    '@fontsource/atkinson-hyperlegible/files/atkinson-hyperlegible-latin-400-normal.woff2',
    import.meta.url,
  ),
  new URL(
    '@fontsource/atkinson-hyperlegible/files/atkinson-hyperlegible-latin-700-normal.woff2',
    import.meta.url,
  ),
]

/**
 * Asks in the head of a page for the two faces that every page is written in. Asked for only by the styles they come
 * after the first layout, which is made with another face and then anew.
 */
export function preloadFaces(): void {
  for (const { href } of FACES) preload(href, { as: 'font', type: 'font/woff2', crossOrigin: 'anonymous' })
}
