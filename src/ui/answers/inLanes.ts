/**
 * Works through things side by side, in so many lanes: each takes the first that nobody has taken whenever it is done
 * with one. What fails in one lane fails all, and nothing more is begun.
 * @param lane makes a lane, which works on one thing after another
 * @returns what came of each, in the order of the things
 */
export async function inLanes<T, R>(
  things: readonly T[],
  lanes: number,
  lane: () => (thing: T) => Promise<R>,
): Promise<R[]> {
  const came: R[] = []
  let next = 0
  const walk = async () => {
    const work = lane()
    while (next < things.length) {
      const at = next++
      try {
        came[at] = await work(things[at]!)
      } catch (e) {
        next = things.length
        throw e
      }
    }
  }
  await Promise.all(Array.from({ length: Math.min(lanes, things.length) }, walk))
  return came
}
