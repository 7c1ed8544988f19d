/** What of the map library's map is needed here. */
interface Drawn {
  /** Asks for a frame. */
  render: () => void
  on: (what: 'postrender', drawn: () => void) => unknown
  un: (what: 'postrender', drawn: () => void) => void
}

/** From one drawing to the next while a map comes up, ms. */
export const APART = 400
/** So long it takes what a map shows to come, one thing after another, ms. */
export const COMING_UP = 6000

/**
 * Draws a map that comes up now and then, and not for each thing that arrives: relief, areas, names, a better view.
 * From the first touch on it is drawn as it changes.
 * @param over what a pointer moves over when it is the map's
 * @returns ends it
 */
export function calmStart(map: Drawn, over: HTMLElement): () => void {
  const draw = map.render.bind(map)
  let waiting: ReturnType<typeof setTimeout> | undefined
  let drawnAt = -Infinity
  const drawn = () => {
    drawnAt = performance.now()
  }
  map.render = () => {
    if (waiting !== undefined) return
    const left = drawnAt + APART - performance.now()
    if (left <= 0) return draw()
    waiting = setTimeout(() => {
      waiting = undefined
      draw()
    }, left)
  }
  map.on('postrender', drawn)
  const touched = new AbortController()
  const end = () => {
    if (touched.signal.aborted) return
    touched.abort()
    clearTimeout(ending)
    map.un('postrender', drawn)
    map.render = draw
    if (waiting === undefined) return
    clearTimeout(waiting)
    draw()
  }
  const ending = setTimeout(end, COMING_UP)
  const { signal } = touched
  for (const hand of ['pointerdown', 'wheel', 'keydown'])
    over.ownerDocument.addEventListener(hand, end, { capture: true, passive: true, signal })
  over.addEventListener('pointermove', end, { signal })
  return end
}
