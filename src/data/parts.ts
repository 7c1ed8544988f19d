import { DONE, type Outcome, good, refuse } from '@/core/outcome'
import { and, asc, eq } from 'drizzle-orm'
import { isBuilt, partIdsOf, unitIdsOf, type NewPart, type Part } from '@/core/kit'
import type { Db } from './connection'
import { newId, nowIso } from './ids'
import { CHANGED_MEANWHILE } from './changedMeanwhile'
import { attachment, part, rig, unit, type UnitNote } from './schema'

export type UnitRow = typeof unit.$inferSelect

/** A part as the kit keeps it. */
export type KitPart = Part & {
  revision: number
  units: UnitRow[]
  papers: { id: string; name: string; type: string }[]
  /** Rigs that use it, as "A, Short whip". */
  usedBy: string[]
}

const asPart = (row: typeof part.$inferSelect): Part => {
  const { id, kind, name, spec, owned, weightG, wornMm, price, note } = row
  return { id, kind, name, spec, owned, weightG, wornMm, price, note } as Part
}

export function listParts(db: Db): Part[] {
  return db.select().from(part).orderBy(asc(part.name)).all().map(asPart)
}

/** Rigs whose assembly holds what the test looks for. */
function rigsWith(
  db: Db,
  holds: (assembly: NonNullable<(typeof rig.$inferSelect)['assembly']>) => boolean,
): string[] {
  return db
    .select()
    .from(rig)
    .orderBy(asc(rig.letter))
    .all()
    .flatMap((r) => (isBuilt(r.assembly) && holds(r.assembly) ? [`${r.letter}, ${r.name}`] : []))
}

/** Every part with its units, papers and the rigs that use it. */
export function listKitParts(db: Db): KitPart[] {
  const units = db.select().from(unit).orderBy(asc(unit.label)).all()
  const papers = db
    .select({ id: attachment.id, partId: attachment.partId, name: attachment.name, type: attachment.type })
    .from(attachment)
    .all()
  return db
    .select()
    .from(part)
    .orderBy(asc(part.name))
    .all()
    .map((row) => ({
      ...asPart(row),
      revision: row.revision,
      units: units.filter((u) => u.partId === row.id),
      papers: papers.filter((p) => p.partId === row.id).map(({ id, name, type }) => ({ id, name, type })),
      usedBy: rigsWith(db, (a) => partIdsOf(a).includes(row.id)),
    }))
}

export function addPart(db: Db, input: NewPart): string {
  const id = newId()
  db.insert(part)
    .values({ ...input, id, createdAt: nowIso() })
    .run()
  return id
}

export function updatePart(db: Db, id: string, revision: number, input: NewPart): Outcome<string> {
  const { changes } = db
    .update(part)
    .set({ ...input, revision: revision + 1 })
    .where(and(eq(part.id, id), eq(part.revision, revision)))
    .run()
  return changes === 1 ? good(id) : refuse(CHANGED_MEANWHILE)
}

/** Deletes a part that no rig uses, with its units and papers. */
export function deletePart(db: Db, id: string): Outcome {
  const used = rigsWith(db, (a) => partIdsOf(a).includes(id))
  if (used.length > 0)
    return refuse(
      `${used.length === 1 ? 'A rig uses' : `${used.length} rigs use`} this part: ${used.join('; ')}. Take it out of there first; runs keep their own copy.`,
    )
  return db.transaction((tx) => {
    tx.delete(unit).where(eq(unit.partId, id)).run()
    tx.delete(part).where(eq(part.id, id)).run()
    return DONE
  })
}

/** Adds a unit of a part, or changes the one named. */
export function saveUnit(
  db: Db,
  id: string | null,
  partId: string,
  input: { label: string; condition: string; notes: UnitNote[] },
): Outcome<string> {
  const row = db.select().from(part).where(eq(part.id, partId)).get()
  if (!row) return refuse('This part is no longer there.')
  const { label, condition, notes } = input
  const twin = db
    .select()
    .from(unit)
    .where(and(eq(unit.partId, partId), eq(unit.label, label)))
    .get()
  if (twin && twin.id !== id) return refuse(`There is a unit "${label}" already. Give each its own name.`)
  if (id !== null) {
    db.update(unit).set({ label, condition, detail: { notes } }).where(eq(unit.id, id)).run()
    return good(id)
  }
  const made = newId()
  db.insert(unit)
    .values({ id: made, partId, kind: row.kind, label, condition, detail: { notes }, createdAt: nowIso() })
    .run()
  return good(made)
}

export function deleteUnit(db: Db, id: string): Outcome {
  const used = rigsWith(db, (a) => unitIdsOf(a).includes(id))
  if (used.length > 0) return refuse(`This unit is in ${used.join('; ')}. Take it out of there first.`)
  db.delete(unit).where(eq(unit.id, id)).run()
  return DONE
}

/** Largest photo or paper kept with a part. */
export const MAX_PAPER_BYTES = 8 * 1024 * 1024

export function addPaper(
  db: Db,
  partId: string,
  paper: { name: string; type: string; bytes: Buffer },
): Outcome<string> {
  if (paper.bytes.length > MAX_PAPER_BYTES)
    return refuse(`${paper.name} is larger than 8 MB. Make it smaller, and add it again.`)
  if (!db.select().from(part).where(eq(part.id, partId)).get()) return refuse('This part is no longer there.')
  const id = newId()
  db.insert(attachment)
    .values({ ...paper, id, partId, createdAt: nowIso() })
    .run()
  return good(id)
}

export function getPaper(db: Db, id: string): { name: string; type: string; bytes: Buffer } | null {
  return db.select().from(attachment).where(eq(attachment.id, id)).get() ?? null
}

export function deletePaper(db: Db, id: string): void {
  db.delete(attachment).where(eq(attachment.id, id)).run()
}

/** What every unit is called, by id. */
export function unitNames(db: Db): Map<string, string> {
  return new Map(
    db
      .select({ id: unit.id, label: unit.label })
      .from(unit)
      .all()
      .map((u) => [u.id, u.label]),
  )
}
