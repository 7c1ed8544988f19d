import { DONE, type Outcome, good, refuse } from '@/core/outcome'
import { asc, eq } from 'drizzle-orm'
import { coverOf, type Cover, type Rings } from '@/core/terrain'
import type { Db } from './connection'
import { newId, nowIso } from './ids'
import { CHANGED_MEANWHILE } from './changedMeanwhile'
import { forgetGround } from './forgetGround'
import { area, type AreaKind } from './schema'

export type AreaRow = typeof area.$inferSelect
export type { AreaKind }

export interface NewArea {
  name: string
  kind: AreaKind
  heightM: number
  rings: Rings
}

/** In the order of drawing: where they overlap, the last stands. */
export function listAreas(db: Db): AreaRow[] {
  return db.select().from(area).orderBy(asc(area.createdAt), asc(area.id)).all()
}

/** Adds areas, all or none. */
export function addAreas(db: Db, areas: readonly NewArea[]): Outcome<number> {
  db.transaction((tx) => {
    for (const a of areas)
      tx.insert(area)
        .values({ id: newId(), ...a, createdAt: nowIso() })
        .run()
  })
  return good(areas.length)
}

export function editArea(
  db: Db,
  id: string,
  revision: number,
  fields: Pick<NewArea, 'name' | 'kind' | 'heightM'>,
): Outcome {
  const row = db.select().from(area).where(eq(area.id, id)).get()
  if (!row) return refuse('This area is no longer there.')
  if (row.revision !== revision) return refuse(CHANGED_MEANWHILE)
  db.update(area)
    .set({ ...fields, revision: revision + 1 })
    .where(eq(area.id, id))
    .run()
  return DONE
}

export function deleteArea(db: Db, id: string): Outcome {
  if (db.delete(area).where(eq(area.id, id)).run().changes !== 1)
    return refuse('This area is no longer there.')
  forgetGround(db, 'area', id)
  return DONE
}

/** Of areas, those that say what stands on the ground. */
export function coverOfAreas(areas: readonly NewArea[]): Cover {
  return coverOf(
    areas.flatMap(({ kind, heightM, rings }) => (kind === 'to cover' ? [] : [{ kind, heightM, rings }])),
  )
}
