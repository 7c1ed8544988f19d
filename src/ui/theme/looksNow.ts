import { looksOf, rigLook } from './palette'

/** A link's look as it is drawn on a canvas. */
export interface DrawnLook {
  letter: string
  /** As the page is lit now: a hex, not the name of it. */
  hue: string
  dash: number[]
}

/** The looks of links by their letters, for what is no element of the page. */
export function looksNow(letters: readonly string[]): DrawnLook[] {
  const css = getComputedStyle(document.documentElement)
  return looksOf(letters).map((look, i) => {
    const { hue, dash } = rigLook(look)
    return {
      letter: letters[i]!,
      hue: css.getPropertyValue(hue.slice(4, -1)).trim(),
      dash: dash === '' ? [] : dash.split(' ').map(Number),
    }
  })
}
