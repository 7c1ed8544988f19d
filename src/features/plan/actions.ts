'use server'

import { revalidatePath } from 'next/cache'
import * as yup from 'yup'
import { db, refuse, savePlan, type Done } from '@/data'
import { planSchema } from './planSchema'

export async function storePlan(trialId: string, revision: number, raw: unknown): Promise<Done> {
  try {
    const result = savePlan(db(), trialId, revision, planSchema.validateSync(raw))
    revalidatePath('/', 'layout')
    return result
  } catch (e) {
    if (e instanceof yup.ValidationError) return refuse(e.message)
    throw e
  }
}
