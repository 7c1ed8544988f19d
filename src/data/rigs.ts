import { bad, DONE, good, problem, refuse, type Outcome } from '@/core/outcome'
import { and, asc, eq, or } from 'drizzle-orm'
import { figuresOfAssembly, isBuilt, traitsOf, type Assembly, type Part, type Rig } from '@/core/kit'
import type { Db } from './connection'
import { newId, nowIso } from './ids'
import { listParts, unitNames } from './parts'
import { CHANGED_MEANWHILE } from './changedMeanwhile'
import { link, rig } from './schema'

/** A rig as the kit lists it. */
export interface KitRig extends Rig {
  revision: number
  note: string
  /** What it is built of; null where only its figures are known. */
  assembly: Assembly | null
  bandwidthKHz: number | null
  mode: string
  variantOf: string | null
  /** Trials that use it. */
  usedBy: string[]
}

/** What is stored of a rig. The figures of a built one come from its parts; those typed stand for the others. */
export type RigInput = Omit<Rig, 'id' | 'atRx' | 'budget' | 'traits' | 'sensitivityDbm' | 'bodyLossDb'> & {
  note: string
  assembly?: Assembly | null
  bandwidthKHz?: number | null
  mode?: string
}

export function listRigs(db: Db): KitRig[] {
  const links = db.select().from(link).all()
  const parts = listParts(db)
  const units = unitNames(db)
  return db
    .select()
    .from(rig)
    .orderBy(asc(rig.letter))
    .all()
    .map((r) => ({
      ...toRig(r, parts, units),
      revision: r.revision,
      note: r.note,
      assembly: r.assembly,
      bandwidthKHz: r.bandwidthKHz,
      mode: r.mode,
      variantOf: r.variantOf,
      usedBy: [
        ...new Set(links.filter((l) => l.baseRigId === r.id || l.outRigId === r.id).map((l) => l.trialId)),
      ],
    }))
}

/** A rig as a trial sees it: typed figures, or those of its parts as they are now. */
export function toRig(
  row: typeof rig.$inferSelect,
  parts: readonly Part[],
  units: ReadonlyMap<string, string>,
): Rig {
  const { id, letter, name, kind, txMHz, rxMHz, powerW, antennaHeightM } = row
  const { antennaGainDbi, leadLossDb, attenuatorDb, attenuatorAt } = row
  const traits = traitsOf(row.assembly, parts, row.mode, units)
  const typed = { id, letter, name, kind, txMHz, rxMHz, powerW, antennaHeightM, traits }
  if (isBuilt(row.assembly)) return { ...typed, ...figuresOfAssembly(row.assembly, row, parts) }
  return { ...typed, antennaGainDbi, leadLossDb, attenuatorDb, attenuatorAt }
}

/** A rig of the kit as a trial sees it, without what only the kit keeps. */
export function rigOf(r: KitRig): Rig {
  const {
    revision: _r,
    usedBy: _u,
    variantOf: _v,
    note: _n,
    assembly: _a,
    bandwidthKHz: _b,
    mode: _m,
    ...rig
  } = r
  return rig
}

/** What is stored of a rig that the kit lists, to be stored again changed. */
export function inputOfRig(r: KitRig): RigInput {
  const { id: _i, revision: _r, usedBy: _u, atRx: _a, budget: _b, variantOf: _v, ...rest } = r
  const { sensitivityDbm: _s, bodyLossDb: _l, ...input } = rest
  return input
}

/** The first letter that no rig has: A to Z, then AA and on. */
export function freeLetter(db: Db): string {
  const taken = new Set(
    db
      .select({ letter: rig.letter })
      .from(rig)
      .all()
      .map((r) => r.letter),
  )
  const alphabet = [...'ABCDEFGHIJKLMNOPQRSTUVWXYZ']
  const all = [...alphabet, ...alphabet.flatMap((a) => alphabet.map((b) => a + b))]
  return all.find((l) => !taken.has(l))!
}

function letterTaken(db: Db, letter: string, except: string | null): Outcome | null {
  const other = db.select().from(rig).where(eq(rig.letter, letter)).get()
  if (!other || other.id === except) return null
  return bad(
    problem(
      'taken',
      'letter',
      `"${other.name}" already has the letter ${letter}. Take another; ${freeLetter(db)} is free.`,
    ),
  )
}

export function addRig(db: Db, input: RigInput): Outcome<string> {
  const taken = letterTaken(db, input.letter, null)
  if (taken && !taken.ok) return taken
  const id = newId()
  db.insert(rig)
    .values({ ...input, id, createdAt: nowIso() })
    .run()
  return good(id)
}

export function updateRig(db: Db, id: string, revision: number, input: RigInput): Outcome<string> {
  const taken = letterTaken(db, input.letter, id)
  if (taken && !taken.ok) return taken
  const { changes } = db
    .update(rig)
    .set({ ...input, revision: revision + 1 })
    .where(and(eq(rig.id, id), eq(rig.revision, revision)))
    .run()
  return changes === 1 ? good(id) : refuse(CHANGED_MEANWHILE)
}

/** A rig like another, as its variant: the same but for what will be changed. */
export function makeVariant(db: Db, id: string): Outcome<string> {
  const row = db.select().from(rig).where(eq(rig.id, id)).get()
  if (!row) return refuse('This rig is no longer there.')
  const copy = newId()
  db.insert(rig)
    .values({
      ...row,
      id: copy,
      revision: 1,
      letter: freeLetter(db),
      name: `${row.name}, variant`,
      variantOf: id,
      createdAt: nowIso(),
    })
    .run()
  return good(copy)
}

/** Deletes a rig that no trial uses. */
export function deleteRig(db: Db, id: string): Outcome {
  const used = db
    .select()
    .from(link)
    .where(or(eq(link.baseRigId, id), eq(link.outRigId, id)))
    .get()
  if (used)
    return refuse('A trial uses this rig. Take it out of the trial’s plan first; runs keep their own copy.')
  db.delete(rig).where(eq(rig.id, id)).run()
  return DONE
}
