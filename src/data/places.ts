import { asc, eq, or } from 'drizzle-orm'
import { refuse, type Outcome } from '@/core/outcome'
import type { Db } from './connection'
import { legsOf, takeLegAnew, type LegWithMarks } from './ground'
import { site, trial } from './schema'
import { copyTrial } from './trials'

/** A trial that asks the same question from another place of the base. */
export interface OtherPlace {
  trialId: string
  name: string
  /** What its base is called; null while it has none. */
  base: string | null
  legIds: string[]
}

export interface OtherPlaceWithLegs extends OtherPlace {
  legs: LegWithMarks[]
}

/** The trial that a question was first asked in. */
const firstOf = (row: typeof trial.$inferSelect) => row.placeOf ?? row.id

/** The other trials that ask a trial's question, the first of them first. */
export function otherPlaces(db: Db, trialId: string): OtherPlace[] {
  const row = db.select().from(trial).where(eq(trial.id, trialId)).get()
  if (!row) return []
  const first = firstOf(row)
  return db
    .select({ trial, base: site.name })
    .from(trial)
    .leftJoin(site, eq(site.id, trial.siteId))
    .where(or(eq(trial.id, first), eq(trial.placeOf, first)))
    .orderBy(asc(trial.createdAt))
    .all()
    .filter((r) => r.trial.id !== trialId)
    .map((r) => ({
      trialId: r.trial.id,
      name: r.trial.name,
      base: r.base,
      legIds: r.trial.legIds,
    }))
}

/** The other places with the marks of their legs, which are taken over from one to another. */
export const otherPlacesWithLegs = (db: Db, trialId: string): OtherPlaceWithLegs[] =>
  otherPlaces(db, trialId).map((p) => ({ ...p, legs: legsOf(db, p.legIds) }))

/** Asks a trial's question from another place: the same rigs and plan, its ground still to be set. @returns its id */
export function askElsewhere(db: Db, trialId: string, seed: number): string | null {
  const row = db.select().from(trial).where(eq(trial.id, trialId)).get()
  if (!row) return null
  const first = firstOf(row)
  const name = db.select().from(trial).where(eq(trial.id, first)).get()?.name ?? row.name
  const made = copyTrial(db, trialId, `${name}, place ${otherPlaces(db, trialId).length + 2}`, seed, false)
  if (made) db.update(trial).set({ placeOf: first }).where(eq(trial.id, made)).run()
  return made
}

/** Takes the marks of another place's leg into a trial, measured from its own base. */
export function takeLegOfPlace(db: Db, trialId: string, legId: string): Outcome {
  const leg = legsOf(
    db,
    otherPlaces(db, trialId).flatMap((p) => p.legIds),
  ).find((l) => l.id === legId)
  if (!leg) return refuse('This leg is no longer there.')
  if (leg.marks.some((m) => m.lat === null))
    return refuse('Marks without coordinates are measured from their own base alone.')
  return takeLegAnew(db, trialId, legId)
}
