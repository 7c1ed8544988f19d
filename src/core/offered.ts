/** A thing that is kept, and whether it counts in a trial. */
export interface Offered<T> {
  row: T
  used: boolean
  /** It lies where the trial is. */
  near: boolean
}

export const usedOf = <T>(offered: readonly Offered<T>[]): T[] =>
  offered.filter((o) => o.used).map((o) => o.row)

/**
 * Of the ground that is kept, what counts: flat ground in place of all grids where it was chosen; `cover` is what
 * stands there, without ground that is only to be covered.
 */
export function usedGround<G, A extends { kind: string }, B>(ground: {
  flat: G | null
  grids: readonly Offered<G>[]
  areas: readonly Offered<A>[]
  backdrops: readonly Offered<B>[]
}) {
  const areas = usedOf(ground.areas)
  return {
    grids: ground.flat ? [ground.flat] : usedOf(ground.grids),
    areas,
    backdrops: usedOf(ground.backdrops),
    cover: areas.filter((a): a is A & { kind: Exclude<A['kind'], 'to cover'> } => a.kind !== 'to cover'),
  }
}
