import { DONE, type Outcome, good, refuse } from '@/core/outcome'
import { and, asc, eq } from 'drizzle-orm'
import { EXAMPLE_RULE_SETS, type RuleSet, type ServiceRule } from '@/core/kit'
import type { Db } from './connection'
import { newId, nowIso } from './ids'
import { CHANGED_MEANWHILE } from './changedMeanwhile'
import { ruleSet, trial, type ChosenService } from './schema'

export type RuleSetRow = typeof ruleSet.$inferSelect

export function listRuleSets(db: Db): RuleSetRow[] {
  return db.select().from(ruleSet).orderBy(asc(ruleSet.createdAt), asc(ruleSet.id)).all()
}

export function getRuleSet(db: Db, id: string): RuleSetRow | null {
  return db.select().from(ruleSet).where(eq(ruleSet.id, id)).get() ?? null
}

export function addRuleSet(db: Db, body: RuleSet): string {
  const id = newId()
  db.insert(ruleSet).values({ id, body, createdAt: nowIso() }).run()
  return id
}

/** Puts the examples that ship into a database that has none. */
export function addExampleRuleSets(db: Db): void {
  for (const body of EXAMPLE_RULE_SETS) addRuleSet(db, body)
}

export function updateRuleSet(db: Db, id: string, revision: number, body: RuleSet): Outcome<string> {
  const { changes } = db
    .update(ruleSet)
    .set({ body, revision: revision + 1 })
    .where(and(eq(ruleSet.id, id), eq(ruleSet.revision, revision)))
    .run()
  return changes === 1 ? good(id) : refuse(CHANGED_MEANWHILE)
}

/** Deletes a rule set that no trial keeps to. */
export function deleteRuleSet(db: Db, id: string): Outcome {
  const used = db
    .select()
    .from(trial)
    .all()
    .filter((t) => t.service?.ruleSetId === id)
  if (used.length > 0)
    return refuse(`${used.map((t) => t.name).join('; ')} keeps to these rules. Choose others there first.`)
  db.delete(ruleSet).where(eq(ruleSet.id, id)).run()
  return DONE
}

/** The rule set and the service that a trial keeps to; nulls where none was chosen or it is gone. */
export function serviceOf(
  db: Db,
  chosen: ChosenService | null,
): { rules: RuleSet | null; service: ServiceRule | null } {
  const rules = chosen ? (getRuleSet(db, chosen.ruleSetId)?.body ?? null) : null
  return { rules, service: rules?.services.find((s) => s.name === chosen!.service) ?? null }
}
