/**
 * Tells of places in turn whether one of them is to be labelled: one at the most in each square of a grid, and none
 * nearer than half a square to another, since two squares meet at a border.
 * @param every side of a square, px
 */
export function spacedOut(every: number): (x: number, y: number) => boolean {
  const squares = new Set<string>()
  const taken: { x: number; y: number }[] = []
  return (x, y) => {
    const square = `${Math.floor(x / every)} ${Math.floor(y / every)}`
    if (squares.has(square) || taken.some((t) => Math.hypot(t.x - x, t.y - y) < every / 2)) return false
    squares.add(square)
    taken.push({ x, y })
    return true
  }
}
