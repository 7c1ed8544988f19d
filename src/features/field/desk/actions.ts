'use server'

import { DONE, good, refuse, type Outcome } from '@/core/outcome'
import { flag, id, MAX_LETTERS, record, text } from '@/core/schema'
import { needsMarks } from '@/core/trial'
import { idAfter } from '../log/idAfter'
import { appendEntries, db, listRigs, logOf, openTrial, planOf, rigOf, startRun } from '@/data'
import { act } from '@/server/act'

const newRun = record({
  trialId: id(),
  name: text(MAX_LETTERS.runName).required('Name the run, such as "Saturday morning".'),
  note: text(MAX_LETTERS.shortNote).default(''),
  fixedBeforehand: flag().required(),
})

const described = record({ runId: id(), linkId: id(), rigId: id() })

/** Says what a rig that was added out there is made of: one of the kit. The log keeps both. */
export async function describeAddedRig(runId: string, linkId: string, rigId: string): Promise<Outcome> {
  return act(described, { runId, linkId, rigId }, (v) => {
    const log = logOf(db(), v.runId)
    const event = log.events.find((e) => e.body.kind === 'link' && e.body.link.id === v.linkId)
    if (!event || event.body.kind !== 'link') return refuse('This rig is not in the log any more.')
    const found = listRigs(db()).find((r) => r.id === v.rigId)
    if (!found) return refuse('This rig is no longer in the kit.')
    const { link, notAt } = event.body
    // What was said out there stays: its name and letter in this run.
    const out = { ...rigOf(found), name: link.name, letter: link.letter }
    appendEntries(db(), [
      {
        id: idAfter(log.newestId, Date.now()),
        runId: v.runId,
        device: 'desk',
        role: 'desk',
        wallTime: new Date().toISOString(),
        seq: 0,
        supersedes: event.id,
        body: { kind: 'link', link: { ...link, out }, notAt, described: true },
      },
    ])
    return DONE
  })
}

/** Begins a run with the plan as it stands. @returns its id */
export async function beginRun(trialId: string, raw: object): Promise<Outcome<string>> {
  return act(newRun, { ...raw, trialId }, (v) => {
    const open = openTrial(db(), v.trialId)
    if (!open) return refuse('This trial is no longer there.')
    const plan = planOf(open)
    if (plan.links.length === 0)
      return refuse('The plan compares nothing yet. Tick at least one link under Plan.')
    if (needsMarks(plan.way) && plan.marks.length === 0)
      return refuse('There are no marks yet. Set them under Ground.')
    const { name, note, fixedBeforehand } = v
    return good(startRun(db(), v.trialId, name, plan, { note, fixedBeforehand, imported: false }))
  })
}
