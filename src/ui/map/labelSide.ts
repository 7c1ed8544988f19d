/** Where a name stands beside its symbol. */
export type Side = 'above' | 'below' | 'left' | 'right'

/** Half as high as a name, and how far another symbol reaches about its middle, px. */
const HALF_HEIGHT = 7
const SYMBOL = 8

/** The middle of a name so wide, px right of and below its symbol. @param gap from the symbol's middle */
function middleOf(side: Side, wide: number, gap: number): [number, number] {
  switch (side) {
    case 'above':
      return [0, -gap]
    case 'below':
      return [0, gap]
    case 'left':
      return [-gap - wide / 2, 0]
    case 'right':
      return [gap + wide / 2, 0]
  }
}

/**
 * The side of a symbol on which its name lies over the fewest others, the first of several.
 * @param others middles of other symbols, px right of and below it
 * @param wide how wide the name is, px
 */
export function labelSide(
  others: readonly (readonly [number, number])[],
  wide: number,
  gap: number,
  sides: readonly Side[],
): Side {
  const hits = sides.map((side) => {
    const [x, y] = middleOf(side, wide, gap)
    return others.filter(
      ([ox, oy]) => Math.abs(ox - x) < wide / 2 + SYMBOL && Math.abs(oy - y) < HALF_HEIGHT + SYMBOL,
    ).length
  })
  return sides[hits.indexOf(Math.min(...hits))]!
}

/** The same as a text is placed by the map. */
export const asOffset = (
  side: Side,
  gap: number,
): { textAlign: CanvasTextAlign; offsetX: number; offsetY: number } => {
  const [offsetX, offsetY] = middleOf(side, 0, gap)
  return { textAlign: side === 'left' ? 'right' : side === 'right' ? 'left' : 'center', offsetX, offsetY }
}
