import {
  endClutterDb,
  modelLoss,
  woodsLoss,
  type ModelName,
  type PathGeometry,
  type Profile,
} from '@/core/propagation'
import { filled } from '@/core/stats/numeric/filled'
import { COVER_HEIGHT_M, woodDepthM, type CoverAt, type CoverKind, type PathCover } from '@/core/terrain'

/** What a path takes in all, and of what. */
export interface PathLoss {
  /** The model's, what stands about the ends, woods. */
  lossDb: number
  /** Of it, what woods take, and how much of the way is through them, m. */
  woodsDb: number
  woodsM: number
  /** Why the model may not apply here. */
  notes: string[]
  /** Null where the model had an answer; else what stood in for it. */
  insteadOf: ModelName | null
}

/** What a loss takes for granted. */
export interface Taken {
  model: ModelName
  baseStands: CoverKind
  farStands: CoverKind
  k: number
}

/**
 * What stands about an end, dB: by its area where one says. A wood counts through the length of path in it instead,
 * unless the path goes over it.
 */
export function endDb(
  frequencyMHz: number,
  heightM: number,
  said: CoverAt | null | undefined,
  usual: CoverKind,
  overWoods: boolean,
): number {
  const { kind, heightM: topM } = said ?? { kind: usual, heightM: COVER_HEIGHT_M[usual] }
  if (said?.kind === 'wood' && !overWoods) return 0
  return kind === 'open' ? 0 : endClutterDb(frequencyMHz, heightM, topM)
}

/**
 * The ground with what stands on it. About an end that is lower than its own tops these are left off as far as they go
 * on: the end's own loss stands for them, and they must not count twice.
 */
function withTops(profile: Profile, topsM: ArrayLike<number>, nearM: number, farM: number): Profile {
  const { distancesKm, heightsM } = profile
  const n = heightsM.length
  const raised = filled(n, (i) => heightsM[i]! + (i === 0 || i === n - 1 ? 0 : topsM[i]!))
  if (topsM[0]! > nearM) for (let i = 0; i < n && topsM[i]! > 0; i++) raised[i] = heightsM[i]!
  if (topsM[n - 1]! > farM) for (let i = n - 1; i >= 0 && topsM[i]! > 0; i--) raised[i] = heightsM[i]!
  return { distancesKm, heightsM: raised }
}

const anyOf = (tops: ArrayLike<number>): boolean => {
  for (let i = 0; i < tops.length; i++) if (tops[i]! > 0) return true
  return false
}

/**
 * Median loss of a path over ground with what stands on it: the model's, over the tops of houses on the way; the ends'
 * own by ITU-R P.2108; woods by P.833 through them, or over their tops where that is less. Where the model has no
 * answer, plane earth stands in for it and is named.
 */
export function lossOver(geometry: PathGeometry, cover: PathCover | null, taken: Taken): PathLoss {
  const { frequencyMHz, baseM, farM, profile: bare } = geometry
  const built = bare && cover && anyOf(cover.builtTopM) ? withTops(bare, cover.builtTopM, baseM, farM) : bare
  let loss = modelLoss(taken.model, { ...geometry, profile: built })
  const insteadOf = loss.db === null ? taken.model : null
  if (loss.db === null) loss = { ...modelLoss('plane earth', geometry), notes: loss.notes }
  const ends = (overWoods: boolean) =>
    endDb(frequencyMHz, baseM, cover?.near, taken.baseStands, overWoods) +
    endDb(frequencyMHz, farM, cover?.far, taken.farStands, overWoods)
  const woodsM = bare && cover ? woodDepthM(bare, cover.woodTopM, baseM, farM, taken.k) : 0
  const through = woodsLoss(frequencyMHz, woodsM)
  const onGround = loss.db! + ends(false)
  const said = { woodsM, notes: loss.notes, insteadOf }
  if (woodsM > 0 && insteadOf === null && taken.model === 'terrain') {
    const over = modelLoss('terrain', {
      ...geometry,
      profile: withTops(built!, cover!.woodTopM, baseM, farM),
    })
    const overDb = over.db! + ends(true)
    if (overDb < onGround + through)
      return { ...said, lossDb: overDb, woodsDb: Math.max(0, overDb - onGround) }
  }
  return { ...said, lossDb: onGround + through, woodsDb: through }
}
