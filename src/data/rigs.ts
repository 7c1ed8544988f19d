import { bad, DONE, good, problem, refuse, type Outcome } from '@/core/outcome'
import { and, asc, eq, inArray, notInArray, or } from 'drizzle-orm'
import { figuresOfAssembly, isBuilt, traitsOf, type Assembly, type Part, type Rig } from '@/core/kit'
import type { Db } from './connection'
import { newId, nowIso } from './ids'
import { listParts, unitNames } from './parts'
import { CHANGED_MEANWHILE } from './changedMeanwhile'
import { link, rig, trialRig } from './schema'

/** A rig as the kit lists it. */
export interface KitRig extends Rig {
  revision: number
  note: string
  /** What it is built of; null where only its figures are known. */
  assembly: Assembly | null
  bandwidthKHz: number | null
  /** What its antenna is called, where it is known by its figures alone. */
  antenna: string
  mode: string
  variantOf: string | null
  /** Trials that use it. */
  usedBy: string[]
}

/** What a rig has of its parts alone. */
type FromParts =
  | 'atRx'
  | 'budget'
  | 'traits'
  | 'bodyLossDb'
  | 'claimedGainDbi'
  | 'place'
  | 'polarisation'
  | 'crossPolarDb'
  | 'pattern'
  | 'azimuthDeg'
  | 'tiltDeg'

/** What is stored of a rig. The figures of a built one come from its parts; those typed stand for the others. */
export type RigInput = Omit<Rig, 'id' | FromParts | 'sensitivityDbm' | 'bandwidthKHz'> & {
  note: string
  assembly?: Assembly | null
  sensitivityDbm?: number | null
  antenna?: string
  bandwidthKHz?: number | null
  mode?: string
}

/** Every rig there is, with the letter it was first given. */
export function listRigs(db: Db): KitRig[] {
  return kitRigs(db, db.select().from(rig).orderBy(asc(rig.createdAt)).all())
}

/** The rigs of a trial in the order of their letters there. */
export function rigsOfTrial(db: Db, trialId: string): KitRig[] {
  return kitRigs(db, rowsOfTrial(db, trialId))
}

/** The rows of a trial's rigs with their letters there, in the order of these. */
export function rowsOfTrial(db: Db, trialId: string): (typeof rig.$inferSelect)[] {
  const letters = lettersOf(db, trialId)
  return db
    .select()
    .from(rig)
    .where(inArray(rig.id, [...letters.keys()]))
    .all()
    .map((r) => ({ ...r, letter: letters.get(r.id)! }))
    .sort((a, b) => byLetter(a.letter, b.letter))
}

/** A rig of the kit that is not in a trial, by what tells it from others. */
export interface KeptRig {
  id: string
  name: string
  kind: Rig['kind']
  note: string
  txMHz: number
  powerW: number
  /** Another trial compares it, so it cannot be deleted. */
  used: boolean
}

/** The rigs of the kit that a trial does not have. */
export function rigsElsewhere(db: Db, trialId: string): KeptRig[] {
  const used = new Set(
    db
      .select({ base: link.baseRigId, out: link.outRigId })
      .from(link)
      .all()
      .flatMap((l) => [l.base, l.out]),
  )
  const { id, name, kind, note, txMHz, powerW } = rig
  return db
    .select({ id, name, kind, note, txMHz, powerW })
    .from(rig)
    .where(notInArray(id, [...lettersOf(db, trialId).keys()]))
    .orderBy(asc(rig.createdAt))
    .all()
    .map((r) => ({ ...r, used: used.has(r.id) }))
}

/** A before Z before AA. */
const byLetter = (a: string, b: string) => a.length - b.length || a.localeCompare(b)

/** The letter of each rig in a trial. */
export function lettersOf(db: Db, trialId: string): Map<string, string> {
  const rows = db.select().from(trialRig).where(eq(trialRig.trialId, trialId)).all()
  return new Map(rows.map((r) => [r.rigId, r.letter]))
}

function kitRigs(db: Db, rows: (typeof rig.$inferSelect)[]): KitRig[] {
  const links = db.select().from(link).all()
  const parts = listParts(db)
  const units = unitNames(db)
  return rows.map((r) => ({
    ...toRig(r, parts, units),
    revision: r.revision,
    note: r.note,
    assembly: r.assembly,
    bandwidthKHz: r.bandwidthKHz,
    mode: r.mode,
    antenna: r.antenna,
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
  const { antennaGainDbi, leadLossDb, attenuatorDb, attenuatorAt, sensitivityDbm } = row
  const traits = traitsOf(row.assembly, parts, row, units)
  const { bandwidthKHz } = row
  const typed = { id, letter, name, kind, txMHz, rxMHz, powerW, antennaHeightM, bandwidthKHz, traits }
  if (isBuilt(row.assembly)) return { ...typed, ...figuresOfAssembly(row.assembly, row, parts) }
  return { ...typed, antennaGainDbi, leadLossDb, attenuatorDb, attenuatorAt, sensitivityDbm }
}

/** A rig of the kit as a trial sees it, without what only the kit keeps. */
export function rigOf(r: KitRig): Rig {
  const { revision: _r, usedBy: _u, variantOf: _v, note: _n, assembly: _a, mode: _m, antenna: _t, ...rig } = r
  return rig
}

/** What is stored of a rig that the kit lists, to be stored again changed. */
export function inputOfRig(r: KitRig): RigInput {
  const { id: _i, revision: _r, usedBy: _u, atRx: _a, budget: _b, variantOf: _v, ...rest } = r
  const { sensitivityDbm, bodyLossDb: _l, ...input } = rest
  // That of a rig built of parts is its radio's and is made anew.
  return { ...input, sensitivityDbm: isBuilt(r.assembly) ? null : (sensitivityDbm ?? null) }
}

const ALPHABET = [...'ABCDEFGHIJKLMNOPQRSTUVWXYZ']
const LETTERS = [...ALPHABET, ...ALPHABET.flatMap((a) => ALPHABET.map((b) => a + b))]

/** The first letter that no rig of a trial has: A to Z, then AA and on. */
export function freeLetter(db: Db, trialId: string): string {
  const taken = new Set(lettersOf(db, trialId).values())
  return LETTERS.find((l) => !taken.has(l))!
}

function letterTaken(db: Db, trialId: string, letter: string, except: string | null): Outcome | null {
  const holder = [...lettersOf(db, trialId)].find(([id, l]) => l === letter && id !== except)
  if (!holder) return null
  const other = db.select().from(rig).where(eq(rig.id, holder[0])).get()!
  return bad(
    problem(
      'taken',
      'letter',
      `"${other.name}" already has the letter ${letter}. Take another; ${freeLetter(db, trialId)} is free.`,
    ),
  )
}

function setLetter(db: Db, trialId: string, rigId: string, letter: string): void {
  db.insert(trialRig)
    .values({ trialId, rigId, letter })
    .onConflictDoUpdate({ target: [trialRig.trialId, trialRig.rigId], set: { letter } })
    .run()
}

/** Takes rigs into a trial, each with its own letter where that is free there, else the next one. */
export function takeRigs(db: Db, trialId: string, rigIds: readonly string[], anew = false): void {
  const there = lettersOf(db, trialId)
  for (const rigId of new Set(rigIds)) {
    const row = db.select().from(rig).where(eq(rig.id, rigId)).get()
    if (!row || there.has(rigId)) continue
    const free = !anew && ![...there.values()].includes(row.letter)
    const letter = free ? row.letter : freeLetter(db, trialId)
    setLetter(db, trialId, rigId, letter)
    there.set(rigId, letter)
  }
}

/** Takes a rig out of a trial and of its plan; it stays in the kit, and runs keep their own copy. */
export function leaveRig(db: Db, trialId: string, rigId: string): void {
  db.transaction((tx) => {
    tx.delete(link)
      .where(and(eq(link.trialId, trialId), or(eq(link.baseRigId, rigId), eq(link.outRigId, rigId))))
      .run()
    tx.delete(trialRig)
      .where(and(eq(trialRig.trialId, trialId), eq(trialRig.rigId, rigId)))
      .run()
  })
}

/** Adds a rig to the kit. @param trialId the trial it is made for; null for none */
export function addRig(db: Db, input: RigInput, trialId: string | null = null): Outcome<string> {
  const taken = trialId && letterTaken(db, trialId, input.letter, null)
  if (taken && !taken.ok) return taken
  const id = newId()
  return db.transaction((tx) => {
    tx.insert(rig)
      .values({ ...input, id, createdAt: nowIso() })
      .run()
    if (trialId) setLetter(tx as unknown as Db, trialId, id, input.letter)
    return good(id)
  })
}

/** Changes a rig. @param trialId the trial whose letter for it is changed with it; null for none */
export function updateRig(
  db: Db,
  id: string,
  revision: number,
  input: RigInput,
  trialId: string | null = null,
): Outcome<string> {
  const taken = trialId && letterTaken(db, trialId, input.letter, id)
  if (taken && !taken.ok) return taken
  const { letter, ...rest } = input
  return db.transaction((tx) => {
    const { changes } = tx
      .update(rig)
      .set({ ...rest, revision: revision + 1 })
      .where(and(eq(rig.id, id), eq(rig.revision, revision)))
      .run()
    if (changes !== 1) return refuse(CHANGED_MEANWHILE)
    if (trialId) setLetter(tx as unknown as Db, trialId, id, letter)
    return good(id)
  })
}

/** A rig like another of a trial, as its variant: the same but for what will be changed. */
export function makeVariant(db: Db, id: string, trialId: string): Outcome<string> {
  const row = db.select().from(rig).where(eq(rig.id, id)).get()
  if (!row) return refuse('This rig is no longer there.')
  const copy = newId()
  const letter = freeLetter(db, trialId)
  db.insert(rig)
    .values({
      ...row,
      id: copy,
      revision: 1,
      letter,
      name: `${row.name}, variant`,
      variantOf: id,
      createdAt: nowIso(),
    })
    .run()
  setLetter(db, trialId, copy, letter)
  return good(copy)
}

/** Deletes a rig that no trial compares. */
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
