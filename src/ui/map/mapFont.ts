import { checkedFonts } from 'ol/render/canvas'

const FAMILY = 'Atkinson Hyperlegible'
const FACES = { plain: 'normal 400', bold: 'normal 700', italic: 'italic 400' }

type Face = keyof typeof FACES

const fontOf = (px: number, face: string) => `${face} ${px}px "${FAMILY}", sans-serif`

/** The face that a map is written in. */
export const mapFont = (px: number, face: Face = 'plain'): string => fontOf(px, FACES[face])

/** What the map library takes for a font that is there. */
const THERE = 100

/**
 * Fetches what maps are written in, so that one is drawn with it at once. The library would fetch every face with all
 * its letters after it has drawn, and with each that comes draw all labels anew, and the browser lay the page out.
 */
export async function mapFontsReady(): Promise<void> {
  for (const face of Object.values(FACES)) checkedFonts.set(`${face} 16px "${FAMILY}"`, THERE, true)
  // Where one cannot be had the browser's own does.
  await Promise.allSettled(Object.values(FACES).map((face) => document.fonts.load(fontOf(16, face))))
}
