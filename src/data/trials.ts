import { DONE, type Outcome, refuse } from '@/core/outcome'
import { groupedBy } from '@/core/groupedBy'
import { and, asc, desc, eq, inArray } from 'drizzle-orm'
import { nameLinks, usualLinks, type Link } from '@/core/kit'
import { MAX_LINKS } from '@/core/schema/limits'
import { marksOfWay, startOf, type QuestionKind, type TrialPlan } from '@/core/trial'
import type { Db } from './connection'
import { legsOf, type LegWithMarks, type SiteRow } from './ground'
import { newId, nowIso } from './ids'
import { listParts, unitNames } from './parts'
import { CHANGED_MEANWHILE } from './changedMeanwhile'
import { lettersOf, rigsOfTrial, rowsOfTrial, takeRigs, toRig } from './rigs'
import {
  link,
  rig,
  site,
  trial,
  trialGround,
  trialRig,
  type ChosenService,
  type PackingState,
} from './schema'

export type TrialRow = typeof trial.$inferSelect

/** A trial with all it refers to. */
export interface OpenTrial {
  trial: TrialRow
  site: SiteRow | null
  legs: LegWithMarks[]
  links: Link[]
}

/** What the plan step edits. */
export type PlanInput = Pick<
  TrialRow,
  | 'name'
  | 'question'
  | 'way'
  | 'directions'
  | 'scales'
  | 'copyRule'
  | 'also'
  | 'repeats'
  | 'orderScheme'
  | 'orderSeed'
  | 'sameAs'
  | 'marginDb'
  | 'surroundings'
  | 'earStates'
  | 'reliability'
  | 'needFloorM'
  | 'needCeilingM'
> & { links: { baseRigId: string; outRigId: string }[] }

export function listTrials(db: Db): TrialRow[] {
  return db.select().from(trial).orderBy(desc(trial.createdAt)).all()
}

/** A trial begun from a kind of question, with what that settles. @returns its id */
export function addTrial(
  db: Db,
  name: string,
  question: string,
  seed: number,
  kind: QuestionKind = 'open',
): string {
  const id = newId()
  const { way, plan } = startOf(kind)
  const { scale, ...settled } = plan
  db.insert(trial)
    .values({
      ...settled,
      id,
      name,
      question,
      kind,
      way,
      scales: { base: scale, out: scale },
      orderSeed: seed,
      createdAt: nowIso(),
    })
    .run()
  return id
}

/** Puts a trial away, or back among the others. */
export function archiveTrial(db: Db, id: string, away: boolean): void {
  db.update(trial)
    .set({ archivedAt: away ? nowIso() : null })
    .where(eq(trial.id, id))
    .run()
}

/** A trial like another: its question, rigs, plan and, if wanted, its ground; none of its runs. @returns its id */
export function copyTrial(
  db: Db,
  id: string,
  name: string,
  seed: number,
  withGround: boolean,
): string | null {
  return db.transaction((transaction) => {
    const tx = transaction as unknown as Db
    const row = tx.select().from(trial).where(eq(trial.id, id)).get()
    if (!row) return null
    const copy = newId()
    const ground = withGround ? {} : { siteId: null, legIds: [], flatGround: false }
    const anew = {
      revision: 1,
      archivedAt: null,
      sample: null,
      placeOf: null,
      packing: null,
      cautionsRead: [],
    }
    tx.insert(trial)
      .values({ ...row, ...ground, ...anew, id: copy, name, orderSeed: seed, createdAt: nowIso() })
      .run()
    for (const r of tx.select().from(trialRig).where(eq(trialRig.trialId, id)).all())
      tx.insert(trialRig)
        .values({ ...r, trialId: copy })
        .run()
    if (withGround)
      for (const g of tx.select().from(trialGround).where(eq(trialGround.trialId, id)).all())
        tx.insert(trialGround)
          .values({ ...g, trialId: copy })
          .run()
    const links = tx.select().from(link).where(eq(link.trialId, id)).orderBy(asc(link.position)).all()
    setLinks(
      tx,
      copy,
      links.map(({ baseRigId, outRigId }) => ({ baseRigId, outRigId })),
    )
    return copy
  })
}

/** The links of a trial, named after the end that varies. */
function linksOf(db: Db, trialId: string): Link[] {
  const parts = listParts(db)
  const units = unitNames(db)
  const rigs = new Map(rowsOfTrial(db, trialId).map((r) => [r.id, toRig(r, parts, units)]))
  const rows = db.select().from(link).where(eq(link.trialId, trialId)).orderBy(asc(link.position)).all()
  return nameLinks(rows.map((l) => ({ id: l.id, base: rigs.get(l.baseRigId)!, out: rigs.get(l.outRigId)! })))
}

export function openTrial(db: Db, id: string): OpenTrial | null {
  const row = db.select().from(trial).where(eq(trial.id, id)).get()
  if (!row) return null
  const base = row.siteId ? (db.select().from(site).where(eq(site.id, row.siteId)).get() ?? null) : null
  return { trial: row, site: base, legs: legsOf(db, row.legIds), links: linksOf(db, id) }
}

/** The plan as a run would carry it out now. */
export function planOf({ trial: t, site: base, legs, links }: OpenTrial): TrialPlan {
  return {
    base: base && { name: base.name, lat: base.lat, lon: base.lon },
    trialName: t.name,
    question: t.question,
    way: t.way,
    links,
    marks: marksOfWay(
      t.way,
      legs.flatMap((l) => l.marks),
      t.id,
    ),
    directions: t.directions,
    scales: t.scales,
    copyRule: t.copyRule,
    also: t.also,
    repeats: t.repeats,
    order: { scheme: t.orderScheme, seed: t.orderSeed },
    sameAs: t.sameAs,
    earStates: t.earStates,
    marginDb: t.marginDb,
    reliability: t.reliability,
    surroundings: t.surroundings,
    controlLinkId: t.controlLinkId,
    need: { floorM: t.needFloorM, ceilingM: t.needCeilingM },
  }
}

/** Sets a trial's links, keeping the ids of those that stay. */
export function setLinks(
  db: Db,
  trialId: string,
  wanted: (PlanInput['links'][number] & { id?: string })[],
): void {
  takeRigs(
    db,
    trialId,
    wanted.flatMap((l) => [l.baseRigId, l.outRigId]),
  )
  const old = db.select().from(link).where(eq(link.trialId, trialId)).all()
  db.delete(link).where(eq(link.trialId, trialId)).run()
  wanted.forEach(({ id, baseRigId, outRigId }, position) => {
    const same = old.find((l) => l.baseRigId === baseRigId && l.outRigId === outRigId)
    db.insert(link)
      .values({ id: id ?? same?.id ?? newId(), trialId, position, baseRigId, outRigId })
      .run()
  })
}

const pairs = (links: readonly { baseRigId: string; outRigId: string }[]) =>
  links
    .map((l) => `${l.baseRigId} ${l.outRigId}`)
    .sort()
    .join()

/** Changes the rigs of a trial; its plan follows for as long as nobody chose what is compared. */
export function linksFollow<T>(db: Db, trialId: string, change: () => T): T {
  const usual = () => usualLinks(rigsOfTrial(db, trialId), MAX_LINKS)
  return db.transaction(() => {
    const now = db.select().from(link).where(eq(link.trialId, trialId)).all()
    const follows = pairs(now) === pairs(usual())
    const made = change()
    if (follows) setLinks(db, trialId, usual())
    return made
  })
}

/** Two of a plan's rigs that have one name; null where each has its own. */
function rigsOfOneName(
  db: Db,
  trialId: string,
  links: PlanInput['links'],
): { name: string; letters: [string, string] } | null {
  const ids = new Set(links.flatMap((l) => [l.baseRigId, l.outRigId]))
  const letters = lettersOf(db, trialId)
  const rigs = db
    .select()
    .from(rig)
    .where(inArray(rig.id, [...ids]))
    .all()
    .map((r) => ({ ...r, letter: letters.get(r.id) ?? r.letter }))
    .sort((a, b) => a.letter.localeCompare(b.letter))
  const groups = groupedBy(rigs, (r) => r.name.trim().toLowerCase())
  const [first, second] = [...groups.values()].find((g) => g.length > 1) ?? []
  return first && second ? { name: second.name, letters: [first.letter, second.letter] } : null
}

/** Saves the plan. Runs that were begun keep the plan they were begun with. */
export function savePlan(db: Db, id: string, revision: number, input: PlanInput): Outcome {
  const { links, ...fields } = input
  const alike = rigsOfOneName(db, id, links)
  if (alike)
    return refuse(
      `Rigs ${alike.letters.join(' and ')} are both called "${alike.name}". Give one another name under Kit, so that findings can tell them apart.`,
    )
  return db.transaction((tx) => {
    const { changes } = tx
      .update(trial)
      .set({ ...fields, revision: revision + 1 })
      .where(and(eq(trial.id, id), eq(trial.revision, revision)))
      .run()
    if (changes !== 1) return refuse(CHANGED_MEANWHILE)
    setLinks(tx as unknown as Db, id, links)
    return DONE
  })
}

/** The service that a trial keeps to; null for none. */
export function setService(db: Db, trialId: string, service: ChosenService | null): void {
  db.update(trial).set({ service }).where(eq(trial.id, trialId)).run()
}

/** Marks a caution as read for a trial. */
export function markCautionRead(db: Db, trialId: string, key: string): void {
  const row = db.select().from(trial).where(eq(trial.id, trialId)).get()
  if (!row || row.cautionsRead.includes(key)) return
  db.update(trial)
    .set({ cautionsRead: [...row.cautionsRead, key] })
    .where(eq(trial.id, trialId))
    .run()
}

/** What was ticked off a trial's packing list. */
export function setPacking(db: Db, trialId: string, packing: PackingState): void {
  db.update(trial).set({ packing }).where(eq(trial.id, trialId)).run()
}

/** What the plan step edits, as it stands. */
export function planInputOf({ trial: t, links }: OpenTrial): PlanInput {
  const { name, question, way, directions, scales, copyRule, also, repeats } = t
  const { orderScheme, orderSeed, sameAs, marginDb, surroundings } = t
  const { earStates, reliability, needFloorM, needCeilingM } = t
  return {
    name,
    question,
    way,
    directions,
    scales,
    copyRule,
    also,
    repeats,
    orderScheme,
    orderSeed,
    sameAs,
    marginDb,
    surroundings,
    earStates,
    reliability,
    needFloorM,
    needCeilingM,
    links: links.map((l) => ({ baseRigId: l.base.id, outRigId: l.out.id })),
  }
}
