import { asc, eq, inArray } from 'drizzle-orm'
import { inverse, type Place } from '@/core/geo'
import type { Mark, MarkMeans } from '@/core/trial'
import { freeMarkNames } from '@/core/trial/markNames'
import type { Db } from './connection'
import { newId, nowIso } from './ids'
import { DONE, type Outcome, good, refuse } from '@/core/outcome'
import { leg, mark, run, site, trial } from './schema'

export type SiteRow = typeof site.$inferSelect
type LegRow = typeof leg.$inferSelect

export interface LegWithMarks extends LegRow {
  marks: Mark[]
}

/** A mark to be put on a leg: a place, or a distance by tape, wheel or paces. */
interface NewMark {
  name: string
  place: Place | null
  alongM: number | null
  distanceM?: number
  distanceSdM?: number | null
  how?: MarkMeans
  id?: string
}

export interface NewLeg {
  id?: string
  name: string
  how: LegRow['how']
  bearingDeg: number | null
  track: LegRow['track']
  marks: NewMark[]
}

export function listSites(db: Db): SiteRow[] {
  return db.select().from(site).orderBy(asc(site.name)).all()
}

export function addSite(db: Db, name: string, place: Place | null, role: SiteRow['role'] = 'base'): string {
  const id = newId()
  db.insert(site)
    .values({ id, name, role, lat: place?.lat ?? null, lon: place?.lon ?? null, createdAt: nowIso() })
    .run()
  return id
}

function toMark(row: typeof mark.$inferSelect, legName: string): Mark {
  const { id, name, legId, distanceM, distanceSdM, how, alongM, bearingDeg, lat, lon, tags } = row
  const mark = { id, name, legId, legName, distanceM, distanceSdM, how, alongM, bearingDeg, lat, lon }
  return tags.length > 0 ? { ...mark, tags } : mark
}

export function legsOf(db: Db, ids: readonly string[]): LegWithMarks[] {
  if (ids.length === 0) return []
  const legs = db
    .select()
    .from(leg)
    .where(inArray(leg.id, [...ids]))
    .all()
  const marks = db
    .select()
    .from(mark)
    .where(inArray(mark.legId, [...ids]))
    .orderBy(asc(mark.position))
    .all()
  return ids.flatMap((id) => {
    const l = legs.find((x) => x.id === id)
    return l ? [{ ...l, marks: marks.filter((m) => m.legId === id).map((m) => toMark(m, l.name)) }] : []
  })
}

/** Adds a leg with its marks; crow-flies distance and bearing of each by geodesic from the base. */
export function addLeg(db: Db, siteId: string, input: NewLeg): Outcome<string> {
  const base = db.select().from(site).where(eq(site.id, siteId)).get()
  if (!base) return refuse('This base is no longer there.')
  const from = base.lat !== null && base.lon !== null ? { lat: base.lat, lon: base.lon } : null
  const id = input.id ?? newId()
  const { name, how, bearingDeg, track } = input
  db.insert(leg).values({ id, siteId, name, how, bearingDeg, track, createdAt: nowIso() }).run()
  input.marks.forEach((m, position) => {
    const flown = from && m.place ? inverse(from, m.place) : null
    db.insert(mark)
      .values({
        id: m.id ?? newId(),
        legId: id,
        position,
        name: m.name,
        how: m.how ?? 'coordinates',
        lat: m.place?.lat ?? null,
        lon: m.place?.lon ?? null,
        distanceM: flown?.distanceM ?? m.distanceM!,
        distanceSdM: flown ? null : (m.distanceSdM ?? null),
        alongM: m.alongM,
        bearingDeg: flown?.bearingDeg ?? bearingDeg,
      })
      .run()
  })
  return good(id)
}

/** Says what kind of place a mark is. Runs keep what they were begun with. */
export function tagMark(db: Db, markId: string, tags: string[]): Outcome {
  const { changes } = db.update(mark).set({ tags }).where(eq(mark.id, markId)).run()
  return changes === 1 ? DONE : refuse('This mark is no longer there.')
}

/** Puts a mark elsewhere; its distance and bearing from the leg's base are measured anew. Runs keep their own copy. */
export function moveMark(db: Db, markId: string, place: Place, alongM: number | null): Outcome {
  const row = db
    .select({ markId: mark.id, lat: site.lat, lon: site.lon })
    .from(mark)
    .innerJoin(leg, eq(leg.id, mark.legId))
    .innerJoin(site, eq(site.id, leg.siteId))
    .where(eq(mark.id, markId))
    .get()
  if (!row) return refuse('This mark is no longer there.')
  if (row.lat === null || row.lon === null)
    return refuse('The base has no coordinates, so a mark cannot be measured from it.')
  const { distanceM, bearingDeg } = inverse({ lat: row.lat, lon: row.lon }, place)
  if (distanceM < 5) return refuse('A mark at the base itself has no distance. Move it farther out.')
  db.update(mark)
    .set({
      ...place,
      distanceM,
      bearingDeg,
      distanceSdM: null,
      how: 'coordinates',
      ...(alongM === null ? {} : { alongM }),
    })
    .where(eq(mark.id, markId))
    .run()
  return DONE
}

/** A mark without coordinates is measured, for the first time or better. Runs keep what they were begun with. */
export function measureMark(
  db: Db,
  markId: string,
  how: MarkMeans,
  distanceM: number,
  distanceSdM: number,
): Outcome {
  const row = db.select().from(mark).where(eq(mark.id, markId)).get()
  if (!row) return refuse('This mark is no longer there.')
  if (row.lat !== null)
    return refuse('This mark has coordinates; its distance is measured from them. Drag it on the map.')
  db.update(mark).set({ how, distanceM, distanceSdM }).where(eq(mark.id, markId)).run()
  return DONE
}

export type NewSite = {
  name: string
  place: Place
  role: SiteRow['role']
  doubtM: number | null
  moves: boolean
  note: string
}

/** A place beside the bases: a candidate, a relay, a far end that is not ours. */
export function addOtherSite(db: Db, input: NewSite): string {
  const { place, ...rest } = input
  const id = newId()
  db.insert(site)
    .values({ id, ...rest, ...place, createdAt: nowIso() })
    .run()
  return id
}

/** Deletes a place that no trial and no leg stands on. */
export function deleteSite(db: Db, id: string): Outcome {
  const used =
    db.select().from(trial).where(eq(trial.siteId, id)).get() ??
    db.select().from(leg).where(eq(leg.siteId, id)).get()
  if (used) return refuse('A trial or a leg starts from this place; it stays.')
  db.delete(site).where(eq(site.id, id)).run()
  return DONE
}

/** Takes a leg out of a trial. The leg itself goes too where no other trial holds it; runs keep their own copy. */
export function removeLeg(db: Db, trialId: string, legId: string): void {
  db.transaction((tx) => {
    const row = tx.select().from(trial).where(eq(trial.id, trialId)).get()
    if (!row) return
    const legIds = row.legIds.filter((l) => l !== legId)
    tx.update(trial).set({ legIds }).where(eq(trial.id, trialId)).run()
    const held = tx
      .select()
      .from(trial)
      .all()
      .some((t) => t.legIds.includes(legId))
    if (!held) tx.delete(leg).where(eq(leg.id, legId)).run()
  })
}

export function addLegToTrial(db: Db, trialId: string, input: NewLeg): Outcome<string> {
  return db.transaction((tx) => {
    const row = tx.select().from(trial).where(eq(trial.id, trialId)).get()
    if (!row?.siteId) return refuse('Place the base first; a leg starts there.')
    const taken = new Set(markNamesOf(tx as unknown as Db, row.legIds))
    const names = freeMarkNames(
      input.marks.map((m) => m.name),
      taken,
      input.name,
    )
    const marks = input.marks.map((m, i) => ({ ...m, name: names[i]! }))
    const added = addLeg(tx as unknown as Db, row.siteId, { ...input, marks })
    if (!added.ok) return added
    tx.update(trial)
      .set({ legIds: [...row.legIds, added.value] })
      .where(eq(trial.id, trialId))
      .run()
    return added
  })
}

/** Legs within this of a base start from it, m. */
const SAME_BASE_M = 50

/** Routes of other trials that start where this trial's base stands: they can be used again. */
export function keptLegs(db: Db, trialId: string): LegWithMarks[] {
  const row = db.select().from(trial).where(eq(trial.id, trialId)).get()
  const base = row?.siteId ? db.select().from(site).where(eq(site.id, row.siteId)).get() : null
  if (!row || !base || base.lat === null || base.lon === null) return []
  const near = db
    .select()
    .from(site)
    .all()
    .filter(
      (s) =>
        s.lat !== null &&
        s.lon !== null &&
        inverse({ lat: base.lat!, lon: base.lon! }, { lat: s.lat, lon: s.lon }).distanceM <= SAME_BASE_M,
    )
    .map((s) => s.id)
  const legs = db.select().from(leg).where(inArray(leg.siteId, near)).all()
  return legsOf(
    db,
    legs.map((l) => l.id).filter((id) => !row.legIds.includes(id)),
  )
}

/** Takes a kept route into a trial. */
export function takeKeptLeg(db: Db, trialId: string, legId: string): Outcome {
  if (!keptLegs(db, trialId).some((l) => l.id === legId))
    return refuse('This route is no longer there, or does not start from this base.')
  const row = db.select().from(trial).where(eq(trial.id, trialId)).get()!
  const taken = new Set(markNamesOf(db, row.legIds))
  if (markNamesOf(db, [legId]).some((name) => taken.has(name))) return takeLegAnew(db, trialId, legId)
  db.update(trial)
    .set({ legIds: [...row.legIds, legId] })
    .where(eq(trial.id, trialId))
    .run()
  return DONE
}

const markNamesOf = (db: Db, legIds: readonly string[]): string[] =>
  legsOf(db, legIds).flatMap((l) => l.marks.map((m) => m.name))

/** The same leg with marks of its own, measured from the trial's own base. */
export function takeLegAnew(db: Db, trialId: string, legId: string): Outcome {
  const { name, how, bearingDeg, track, marks } = legsOf(db, [legId])[0]!
  const added = addLegToTrial(db, trialId, {
    name,
    how,
    bearingDeg,
    track,
    marks: marks.map(({ name: called, lat, lon, alongM, how: measured, distanceM, distanceSdM }) => ({
      name: called,
      place: lat !== null && lon !== null ? { lat, lon } : null,
      alongM,
      how: measured,
      distanceM,
      distanceSdM,
    })),
  })
  return added.ok ? DONE : added
}

/** Puts a trial's base somewhere. Its legs start at the old place, so they are taken out; runs keep their own. */
export function placeBase(db: Db, trialId: string, name: string, place: Place | null): Outcome<string> {
  return db.transaction((tx) => {
    const started = tx.select().from(run).where(eq(run.trialId, trialId)).get()
    const row = tx.select().from(trial).where(eq(trial.id, trialId)).get()
    if (!row) return refuse('This trial is no longer there.')
    if (started && row.siteId)
      return refuse('A run of this trial was made from its base. Make a new trial for another base.')
    const id = addSite(tx as unknown as Db, name, place)
    tx.update(trial).set({ siteId: id, legIds: [] }).where(eq(trial.id, trialId)).run()
    return good(id)
  })
}
