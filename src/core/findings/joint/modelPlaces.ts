import { groupedBy } from '@/core/groupedBy'
import type { ModelMark } from '@/core/model/reports'
import { MODEL_PRIORS } from '@/core/model/priors'

/** A mark as the model looks at it. */
export interface PlacedMark extends ModelMark {
  id: string
}

/** The model's marks, and which of them each mark is. */
export interface ModelPlaces {
  marks: ModelMark[]
  at: Map<string, number>
  /** How much stronger it is at a mark than at the place that it counts to, dB, as distance has it. */
  offsetDb: (id: string) => number
}

/** More places than these tell the model no more, and cost it minutes. */
export const MOST_PLACES = 120
/** A mark's offset in its place is told to this, dB: each other one costs as much as another mark. */
const OFFSET_STEP_DB = 3
const HALVINGS = 40

/**
 * The places that a log's marks are for the model: the marks themselves; of a log from more than {@link MOST_PLACES} of
 * them, as one that wrote itself down all along a road, neighbours on a leg together. They lie the closer the nearer to
 * the base, evenly by the root of distance, and what distance does within a place is taken out.
 * @param used marks that something was reported from
 */
export function modelPlaces(marks: readonly PlacedMark[], used: ReadonlySet<string>): ModelPlaces {
  const own = ({ legId, distanceM, alongM }: PlacedMark): ModelMark => ({ legId, distanceM, alongM })
  if (used.size <= MOST_PLACES)
    return {
      marks: marks.map(own),
      at: new Map(marks.map((m, i) => [m.id, i])),
      offsetDb: () => 0,
    }
  const reported = marks.filter((m) => used.has(m.id))
  const ways = [...groupedBy(reported, (m) => m.legId).values()].map((way) =>
    walked([...way].sort((a, b) => a.alongM - b.alongM)),
  )
  let [fine, coarse] = [0, Math.max(...ways.map((w) => w.at(-1)!.root))]
  for (let i = 0; i < HALVINGS; i++) {
    const middle = (fine + coarse) / 2
    if (ways.reduce((n, w) => n + together(w, middle).length, 0) <= MOST_PLACES) coarse = middle
    else fine = middle
  }
  const places = ways.flatMap((w) => together(w, coarse))
  const at = new Map<string, number>()
  const offsets = new Map<string, number>()
  const made = places.map((of, i): ModelMark => {
    const mean = (by: (m: PlacedMark) => number) => of.reduce((s, m) => s + by(m), 0) / of.length
    const distanceM = Math.exp(mean((m) => Math.log(m.distanceM)))
    for (const m of of) {
      at.set(m.id, i)
      const db = 10 * MODEL_PRIORS.slope[0] * Math.log10(distanceM / m.distanceM)
      offsets.set(m.id, OFFSET_STEP_DB * Math.round(db / OFFSET_STEP_DB))
    }
    return { legId: of[0]!.legId, distanceM, alongM: mean((m) => m.alongM) }
  })
  // Nothing was reported from the others, so that they cost nothing.
  for (const m of marks) if (!used.has(m.id)) at.set(m.id, made.push(own(m)) - 1)
  return { marks: made, at, offsetDb: (id) => offsets.get(id) ?? 0 }
}

interface Walked {
  mark: PlacedMark
  /** How far along the leg, each metre the shorter the farther out it is: the root of distance where it leads straight out. */
  root: number
}

function walked(way: readonly PlacedMark[]): Walked[] {
  let root = 0
  return way.map((mark, i) => {
    const before = way[i - 1]
    if (before) root += (mark.alongM - before.alongM) / (2 * Math.sqrt(mark.distanceM))
    return { mark, root }
  })
}

/** Neighbours together, none farther than this from the first of its place. */
function together(way: readonly Walked[], span: number): PlacedMark[][] {
  const places: PlacedMark[][] = []
  let from = -Infinity
  for (const { mark, root } of way) {
    if (root - from > span) {
      places.push([])
      from = root
    }
    places.at(-1)!.push(mark)
  }
  return places
}
