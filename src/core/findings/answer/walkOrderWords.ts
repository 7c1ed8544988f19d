import type { WalkOrder } from '../onTheWay/edges'
import { surelyBy } from '../standing/places'
import { orderWords } from './orderWords'

/** The order of several by where they were lost, in words; see {@link orderWords}. */
export const walkOrderWords = (
  { reaches, places: { chances, ahead } }: WalkOrder,
  link: (id: string) => string,
  does: string,
  least: string,
) =>
  orderWords(
    reaches.map((r, i) => ({ name: link(r.link), places: chances[i]! })),
    (row, column) => surelyBy(ahead, row, column),
    does,
    least,
  )
