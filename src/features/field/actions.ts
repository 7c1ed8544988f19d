'use server'

import { revalidatePath } from 'next/cache'
import { redirect } from 'next/navigation'
import * as yup from 'yup'
import { db, openTrial, planOf, refuse, startRun, type Done } from '@/data'

const newRun = yup.object({
  name: yup.string().trim().required('Name the run, such as "Saturday morning".').max(80),
  note: yup.string().trim().max(500).default(''),
})

/** Begins a run with the plan as it stands, and opens the field screen. */
export async function beginRun(trialId: string, _before: Done | null, form: FormData): Promise<Done> {
  let runId: string
  try {
    const input = newRun.validateSync({ name: form.get('name'), note: form.get('note') ?? '' })
    const open = openTrial(db(), trialId)
    if (!open) return refuse('This trial is no longer there.')
    const plan = planOf(open)
    if (plan.links.length === 0)
      return refuse('The plan compares nothing yet. Tick at least one link under Plan.')
    if (plan.marks.length === 0) return refuse('There are no marks yet. Set them under Ground.')
    runId = startRun(db(), trialId, input.name, plan, {
      note: input.note,
      fixedBeforehand: form.get('fixed') === 'on',
      imported: false,
    })
  } catch (e) {
    if (e instanceof yup.ValidationError) return refuse(e.message)
    throw e
  }
  revalidatePath('/', 'layout')
  redirect(`/field/${runId}`)
}
