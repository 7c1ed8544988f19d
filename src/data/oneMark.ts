import { asc, eq } from 'drizzle-orm'
import { inverse, type Place } from '@/core/geo'
import { good, refuse, type Outcome } from '@/core/outcome'
import type { Db } from './connection'
import { addLegToTrial, legsOf } from './ground'
import { newId } from './ids'
import { leg, mark, site, trial } from './schema'

/** Nearer than this to the base a mark has no distance, m. */
const AT_BASE_M = 5

/**
 * Puts one mark by its coordinates on a leg of a trial, in the order of distance, or on one of its own.
 * @param legId null for a leg of its own, which is named after the mark
 * @returns the mark's name
 */
export function addOneMark(
  db: Db,
  trialId: string,
  legId: string | null,
  name: string,
  place: Place,
): Outcome<string> {
  const row = db.select().from(trial).where(eq(trial.id, trialId)).get()
  const base = row?.siteId ? db.select().from(site).where(eq(site.id, row.siteId)).get() : null
  if (!row || !base) return refuse('Place the base first; a mark is measured from it.')
  if (base.lat === null || base.lon === null)
    return refuse('The base has no coordinates, so a mark cannot be measured from it.')
  const { distanceM, bearingDeg } = inverse({ lat: base.lat, lon: base.lon }, place)
  if (distanceM < AT_BASE_M) return refuse('A mark at the base itself has no distance. Go farther out.')
  const taken = legsOf(db, row.legIds).flatMap((l) => l.marks.map((m) => m.name))
  if (taken.includes(name)) return refuse(`The trial has a mark ${name} already. Give this one another name.`)
  if (legId === null) {
    const marks = [{ name, place, alongM: null }]
    const added = addLegToTrial(db, trialId, { name, how: 'marks', bearingDeg: null, track: [], marks })
    return added.ok ? good(name) : added
  }
  if (!row.legIds.includes(legId) || !db.select().from(leg).where(eq(leg.id, legId)).get())
    return refuse('This leg is no longer in the trial.')
  return db.transaction((tx) => {
    const there = tx.select().from(mark).where(eq(mark.legId, legId)).orderBy(asc(mark.position)).all()
    const before = there.findIndex((m) => m.distanceM > distanceM)
    const position = before < 0 ? there.length : before
    for (const [i, m] of there.entries())
      tx.update(mark)
        .set({ position: i < position ? i : i + 1 })
        .where(eq(mark.id, m.id))
        .run()
    tx.insert(mark)
      .values({
        ...place,
        id: newId(),
        legId,
        position,
        name,
        how: 'coordinates',
        distanceM,
        distanceSdM: null,
        alongM: null,
        bearingDeg,
      })
      .run()
    return good(name)
  })
}
