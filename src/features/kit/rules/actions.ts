'use server'

import { revalidatePath } from 'next/cache'
import { checkRuleSet, readRuleSet } from '@/core/kit'
import type { Problem } from '@/core/formats/problem'
import {
  addExampleRuleSets,
  addRuleSet,
  db,
  deleteRuleSet,
  done,
  getRuleSet,
  refuse,
  setService,
  updateRuleSet,
  type ChosenService,
  type Done,
} from '@/data'

export type Ruled = { ok: true; value: string } | { ok: false; problems: Problem[] }

const place = (message: string): Ruled => ({
  ok: false,
  problems: [{ code: 'rules', where: 'Rules', message }],
})

/** Saves a rule set as the form has it. */
export async function saveRuleSet(id: string, revision: number, raw: unknown): Promise<Ruled> {
  const rules = checkRuleSet(raw)
  if (!rules.ok) return rules
  const result = updateRuleSet(db(), id, revision, rules.value)
  revalidatePath('/', 'layout')
  return result.ok ? result : place(result.message)
}

/** Takes in a file of rules. */
export async function importRuleSet(text: string): Promise<Ruled> {
  const rules = readRuleSet(text)
  if (!rules.ok) return rules
  const id = addRuleSet(db(), rules.value)
  revalidatePath('/', 'layout')
  return { ok: true, value: id }
}

/** A copy of a rule set, to make one's own. */
export async function copyRuleSet(id: string): Promise<Done<string>> {
  const row = getRuleSet(db(), id)
  if (!row) return refuse('These rules are no longer there.')
  const copy = addRuleSet(db(), { ...row.body, name: `${row.body.name.slice(0, 70)}, copy` })
  revalidatePath('/', 'layout')
  return done(copy)
}

export async function restoreExamples(): Promise<void> {
  addExampleRuleSets(db())
  revalidatePath('/', 'layout')
}

export async function removeRuleSet(id: string): Promise<Done> {
  const result = deleteRuleSet(db(), id)
  revalidatePath('/', 'layout')
  return result
}

/** The service that a trial keeps to, or none. */
export async function chooseService(trialId: string, chosen: ChosenService | null): Promise<Done> {
  if (chosen) {
    const rules = getRuleSet(db(), chosen.ruleSetId)
    if (!rules?.body.services.some((s) => s.name === chosen.service))
      return refuse('These rules have no such service any more.')
  }
  setService(db(), trialId, chosen)
  revalidatePath('/', 'layout')
  return done(undefined)
}
