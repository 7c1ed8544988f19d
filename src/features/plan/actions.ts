'use server'

import type { Outcome } from '@/core/outcome'
import { figure, id, record } from '@/core/schema'
import { db, savePlan } from '@/data'
import { act } from '@/server/act'
import { planSchema } from './planSchema'

const saved = record({ trialId: id(), revision: figure().integer().required(), plan: planSchema.required() })

export async function storePlan(trialId: string, revision: number, plan: unknown): Promise<Outcome> {
  return act(saved, { trialId, revision, plan }, (v) => savePlan(db(), v.trialId, v.revision, v.plan))
}
