'use server'

import { revalidatePath } from 'next/cache'
import { redirect } from 'next/navigation'
import * as yup from 'yup'
import { v7 as newEntryId } from 'uuid'
import {
  appendEntries,
  db,
  done,
  listRigs,
  logOf,
  openTrial,
  planOf,
  refuse,
  startRun,
  type Done,
} from '@/data'

const newRun = yup.object({
  name: yup.string().trim().required('Name the run, such as "Saturday morning".').max(80),
  note: yup.string().trim().max(500).default(''),
})

/** Says what a rig that was added out there is made of: one of the kit. The log keeps both. */
export async function describeAddedRig(runId: string, linkId: string, rigId: string): Promise<Done> {
  const log = logOf(db(), runId)
  const event = log.events.find((e) => e.body.kind === 'link' && e.body.link.id === linkId)
  if (!event || event.body.kind !== 'link') return refuse('This rig is not in the log any more.')
  const found = listRigs(db()).find((r) => r.id === rigId)
  if (!found) return refuse('This rig is no longer in the kit.')
  const { link, notAt } = event.body
  // What was said out there stays: its name and letter in this run.
  const out = { ...found, name: link.name, letter: link.letter }
  appendEntries(db(), [
    {
      id: newEntryId(),
      runId,
      device: 'desk',
      role: 'desk',
      wallTime: new Date().toISOString(),
      seq: 0,
      supersedes: event.id,
      body: { kind: 'link', link: { ...link, out }, notAt, described: true },
    },
  ])
  revalidatePath('/', 'layout')
  return done(undefined)
}

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
  redirect(`/field?run=${runId}`)
}
