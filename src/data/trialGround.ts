import { eq } from 'drizzle-orm'
import { inverse, type Place } from '@/core/geo'
import { usedOf, type Offered } from '@/core/offered'
import { metresPerDegree } from '@/core/geo/degrees'
import { DONE, refuse, type Outcome } from '@/core/outcome'
import {
  planGround,
  USUAL_PREDICTION,
  type Correction,
  type StoppedGround,
  type PredictionSettings,
} from '@/core/reach'
import { boxOf, FLAT_ID, flatHeights, flatPlace, gridBounds, terrainOf, type Terrain } from '@/core/terrain'
import type { TrialPlan } from '@/core/trial'
import { coverOfAreas, listAreas, type AreaRow } from './areas'
import { listBackdrops, type BackdropRow } from './backdrops'
import type { Db } from './connection'
import type { GroundKind } from './forgetGround'
import { heightsOf, listGrids, type GridMeta, type GridRow } from './grids'
import { trial, trialGround } from './schema'
import { openTrial, type OpenTrial, type TrialRow } from './trials'

/** The ground of a trial: what counts, and what else is kept. */
export interface TrialGround {
  /** In place of all grids, where the trial is on flat ground. */
  flat: (GridMeta & { id: string; name: string }) | null
  grids: Offered<GridRow>[]
  areas: Offered<AreaRow>[]
  backdrops: Offered<BackdropRow>[]
}

interface Box {
  west: number
  east: number
  south: number
  north: number
}

/** Round about what lies farthest out, m, and as a share of the trial's own size. */
const [ROUND_M, ROUND_SHARE] = [2_000, 0.25]

function placesOf({ site, legs }: OpenTrial): Place[] {
  const placed = [...(site ? [site] : []), ...legs.flatMap((l) => [...l.marks, ...l.track])]
  return placed.flatMap(({ lat, lon }) => (lat == null || lon == null ? [] : [{ lat, lon }]))
}

/** Where a trial is; null while nothing of it has coordinates. */
function boxRound(places: readonly Place[]): Box | null {
  if (places.length === 0) return null
  const [lats, lons] = [places.map((p) => p.lat), places.map((p) => p.lon)]
  const [south, north] = [Math.min(...lats), Math.max(...lats)]
  const [west, east] = [Math.min(...lons), Math.max(...lons)]
  const degree = metresPerDegree((south + north) / 2)
  const [up, across] = [
    ROUND_M / degree.lat + ROUND_SHARE * (north - south),
    ROUND_M / degree.lon + ROUND_SHARE * (east - west),
  ]
  return { west: west - across, east: east + across, south: south - up, north: north + up }
}

const meet = (a: Box, b: Box) =>
  a.west <= b.east && b.west <= a.east && a.south <= b.north && b.south <= a.north

const asBox = ([west, south, east, north]: readonly [number, number, number, number]): Box => ({
  west,
  south,
  east,
  north,
})

/** The ground of a trial: by itself what lies where it is, against that what somebody said. */
export function groundOfTrial(db: Db, open: OpenTrial): TrialGround {
  const places = placesOf(open)
  const box = boxRound(places)
  const said = new Map(
    db
      .select()
      .from(trialGround)
      .where(eq(trialGround.trialId, open.trial.id))
      .all()
      .map((r) => [`${r.kind} ${r.ofId}`, r.used]),
  )
  const offer = <T extends { id: string }>(kind: GroundKind, rows: T[], where: (row: T) => Box | null) =>
    rows.map((row): Offered<T> => {
      const there = where(row)
      const near = box === null || there === null || meet(box, there)
      const ofAnother = 'ofTrial' in row && row.ofTrial !== null && row.ofTrial !== open.trial.id
      return { row, near, used: said.get(`${kind} ${row.id}`) ?? (near && !ofAnother) }
    })
  const [middle] = places
  return {
    flat: open.trial.flatGround && middle ? flatOf(middle, places) : null,
    grids: offer('grid', listGrids(db), gridBounds),
    areas: offer('area', listAreas(db), (a) => asBox(boxOf(a.rings))),
    backdrops: offer('backdrop', listBackdrops(db), (b) => b.bounds && asBox(b.bounds)),
  }
}

function flatOf(middle: Place, places: readonly Place[]): TrialGround['flat'] {
  const farthestM = Math.max(0, ...places.map((p) => inverse(middle, p).distanceM))
  return { id: FLAT_ID, name: 'Flat ground', ...flatPlace(middle, farthestM) }
}

const GONE = 'This trial is no longer there.'

/** Says that a piece of ground counts in a trial, or that it does not. */
export function takeGround(db: Db, trialId: string, kind: GroundKind, ofId: string, used: boolean): Outcome {
  if (!db.select().from(trial).where(eq(trial.id, trialId)).get()) return refuse(GONE)
  db.insert(trialGround)
    .values({ trialId, kind, ofId, used })
    .onConflictDoUpdate({
      target: [trialGround.trialId, trialGround.kind, trialGround.ofId],
      set: { used },
    })
    .run()
  return DONE
}

/** Has a trial count as on flat ground, or on what is known of it. */
export function setFlatGround(db: Db, trialId: string, flat: boolean): Outcome {
  const { changes } = db.update(trial).set({ flatGround: flat }).where(eq(trial.id, trialId)).run()
  return changes === 1 ? DONE : refuse(GONE)
}

/** Keeps what a trial's predictions take for granted. */
export function setPrediction(db: Db, trialId: string, prediction: PredictionSettings): Outcome {
  const { changes } = db.update(trial).set({ prediction }).where(eq(trial.id, trialId)).run()
  return changes === 1 ? DONE : refuse(GONE)
}

/** What a trial's predictions take for granted; what is new since it was said is as usual. */
export const predictionOf = ({ prediction }: Pick<TrialRow, 'prediction'>): PredictionSettings => ({
  ...USUAL_PREDICTION,
  ...prediction,
})

/** The ground that counts in a trial, heights loaded; null where there is none. */
function openTerrain(db: Db, ground: TrialGround): Terrain | null {
  if (ground.flat) return terrainOf([{ ...ground.flat, data: flatHeights(ground.flat), filled: null }])
  const grids = usedOf(ground.grids).flatMap((row) => heightsOf(db, row) ?? [])
  return grids.length > 0 ? terrainOf(grids) : null
}

/**
 * What a trial's ground says of a plan of it; null where there is none, or the base stands outside it.
 * @param plan of the trial as it is, or of one of its runs
 * @param correction what its log taught; null for the prediction before any check
 */
export function groundOf(
  db: Db,
  trialId: string,
  plan: TrialPlan,
  correction: Correction | null = null,
): StoppedGround | null {
  const open = openTrial(db, trialId)
  const ground = open && groundOfTrial(db, open)
  const terrain = ground && openTerrain(db, ground)
  if (!open || !terrain) return null
  const settings = { ...predictionOf(open.trial), correction }
  return planGround(terrain, plan, settings, coverOfAreas(usedOf(ground.areas)))
}
