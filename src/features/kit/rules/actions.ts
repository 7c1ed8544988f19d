'use server'

import { checkRuleSet, readRuleSet } from '@/core/kit'
import { DONE, good, refuse, type Outcome } from '@/core/outcome'
import { figure, id, MAX_LETTERS, record, text } from '@/core/schema'
import {
  addExampleRuleSets,
  addRuleSet,
  db,
  deleteRuleSet,
  getRuleSet,
  setService,
  updateRuleSet,
} from '@/data'
import { act } from '@/server/act'

const one = record({ ruleSetId: id() })

/** Saves a rule set as the form has it. */
export async function saveRuleSet(
  ruleSetId: string,
  revision: number,
  raw: unknown,
): Promise<Outcome<string>> {
  const rules = checkRuleSet(raw)
  if (!rules.ok) return rules
  const row = record({ ruleSetId: id(), revision: figure().integer().required() })
  return act(row, { ruleSetId, revision }, (v) => updateRuleSet(db(), v.ruleSetId, v.revision, rules.value))
}

/** Takes in a file of rules. @returns its id */
export async function importRuleSet(file: string): Promise<Outcome<string>> {
  return act(record({ file: text(1_000_000).required() }), { file }, (v) => {
    const rules = readRuleSet(v.file)
    return rules.ok ? good(addRuleSet(db(), rules.value)) : rules
  })
}

/** A copy of a rule set, to make one's own. @returns its id */
export async function copyRuleSet(ruleSetId: string): Promise<Outcome<string>> {
  return act(one, { ruleSetId }, (v) => {
    const row = getRuleSet(db(), v.ruleSetId)
    if (!row) return refuse('These rules are no longer there.')
    return good(addRuleSet(db(), { ...row.body, name: `${row.body.name.slice(0, 70)}, copy` }))
  })
}

export async function restoreExamples(): Promise<Outcome> {
  return act(record({}), {}, () => {
    addExampleRuleSets(db())
    return DONE
  })
}

export async function removeRuleSet(ruleSetId: string): Promise<Outcome> {
  return act(one, { ruleSetId }, (v) => deleteRuleSet(db(), v.ruleSetId))
}

const choice = record({
  trialId: id(),
  chosen: record({ ruleSetId: id(), service: text(MAX_LETTERS.trialName).required() })
    .nullable()
    .defined(),
})

/** The service that a trial keeps to, or none. */
export async function chooseService(trialId: string, chosen: unknown): Promise<Outcome> {
  return act(choice, { trialId, chosen }, (v) => {
    const rules = v.chosen && getRuleSet(db(), v.chosen.ruleSetId)
    if (v.chosen && !rules?.body.services.some((s) => s.name === v.chosen!.service))
      return refuse('These rules have no such service any more.')
    setService(db(), v.trialId, v.chosen)
    return DONE
  })
}
